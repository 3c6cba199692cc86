import type { Rates } from '@zetalysis/contract';
import { FEW_CASES } from '@zetalysis/core/book';
import { formatNumber } from '@zetalysis/core/units';
import { Button } from '../../kit/Button';
import { Dialog } from '../../kit/Dialog';
import { Table } from '../../kit/Table';
import { Counted } from './Counted';
import { saveTable } from './save-table';
import type { Behind } from './use-patterns';

type Learned = Rates['tests'][number];

interface Props {
  readonly tests: readonly Learned[];
  readonly families: ReadonlyMap<string, string>;
  readonly onShow: (behind: Behind) => void;
  readonly onClose: () => void;
}

const KINDS = {
  minutes: { title: 'Minutes of a test', as: (x: number): string => formatNumber(x, 2) },
  misleads: { title: 'Looks that mislead, of a hundred', as: (x: number): string => formatNumber(100 * x, 2) },
} as const;

/** How long tests take here and how often looks mislead, learned beside assumed; they are published with the rates. */
export function LearnedTests({ tests, families, onShow, onClose }: Props) {
  return (
    <Dialog title="Tests, learned beside assumed" onClose={onClose} width={900}>
      {(Object.keys(KINDS) as (keyof typeof KINDS)[]).map((of) => {
        const { title, as } = KINDS[of];
        const rows = tests.filter((x) => x.of === of);
        return (
          <section key={of} aria-label={title}>
            <h3>
              {title}{' '}
              <Button tone="quiet" disabled={rows.length === 0} onClick={() => saveTable(of, rows)}>
                CSV
              </Button>
            </h3>
            <Table
              label={title}
              rows={rows}
              keyOf={(x) => `${x.profile} ${x.title}`}
              empty="Nothing was counted yet: what is assumed is all there is."
              columns={[
                { title: 'Test', wide: true, cell: (x) => x.title },
                { title: 'Family', cell: (x) => families.get(x.profile) ?? x.profile },
                { title: 'Assumed', figures: true, cell: (x) => as(x.assumed) },
                { title: 'Learned', figures: true, cell: (x) => <b>{as(x.rate)}</b> },
                { title: '9 in 10 within', figures: true, cell: (x) => `${as(x.low)}–${as(x.high)}` },
                {
                  title: 'Times',
                  figures: true,
                  cell: (x) => (
                    <Counted behind={{ title: x.title, test: x.test, profile: x.profile }} onShow={onShow}>
                      {`${x.cases}${x.cases < FEW_CASES ? ', few' : ''}`}
                    </Counted>
                  ),
                },
              ]}
            />
          </section>
        );
      })}
    </Dialog>
  );
}
