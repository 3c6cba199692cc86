import type { Advice, Me, PatternsFilter } from '@zetalysis/contract';
import type { CameBackFor } from '@zetalysis/core/book';
import { can } from '@zetalysis/core/rules';
import { Fragment, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { Block } from '../../kit/Block';
import { Button } from '../../kit/Button';
import { Choices } from '../../kit/Choices';
import { Empty } from '../../kit/Empty';
import { Notice } from '../../kit/Notice';
import { Waiting } from '../../kit/Waiting';
import { CordPiece } from '../../diagrams/CordPiece';
import { AdviceBy } from './AdviceBy';
import { Calibration } from './Calibration';
import { Cases } from './Cases';
import { Counted } from './Counted';
import styles from './Patterns.module.css';
import { percent } from './percent';
import { type Behind, useAdvice } from './use-patterns';

const STAGES: Readonly<Record<Advice['stages'][number]['stage'], string>> = {
  complaint: 'Told on the telephone',
  watched: 'First try watched',
  half: 'Half of the tests',
  end: 'All tests',
};

const CAME_BACK: Readonly<Record<CameBackFor, string>> = {
  again: 'The same part again',
  cause: 'Its cause was still there',
  unproved: 'It had not been proved',
  other: 'Something else broke',
  nothing: 'Nothing was wrong',
  unknown: 'Not known yet',
};

type Show = (behind: Behind) => void;

/** Whether the advice was right: one's own calls, or for a lead those of the shop. */
export function AdviceView({ me, filter }: { readonly me: Me; readonly filter: PatternsFilter }) {
  const leads = can(me, 'rates') === '+';
  const [query, setQuery] = useSearchParams();
  const whose = leads && query.get('whose') !== 'mine' ? 'shop' : 'mine';
  const { data, error } = useAdvice(filter, whose);
  const [behind, setBehind] = useState<Behind>();
  if (error) return <Notice kind="problem">{error.message}</Notice>;
  if (!data) return <Waiting>Counting…</Waiting>;
  const set = (next: 'mine' | 'shop'): void =>
    setQuery((before) => {
      before.set('whose', next);
      return before;
    });
  return (
    <>
      {leads && (
        <div className={styles.whose}>
          <Choices label="Whose calls">
            {(['mine', 'shop'] as const).map((w) => (
              <Button key={w} aria-pressed={whose === w} onClick={() => set(w)}>
                {w === 'mine' ? 'Mine' : 'The shop’s, for leads'}
              </Button>
            ))}
          </Choices>
        </div>
      )}
      {data.of === 0 ? (
        <Empty>No break was recorded on these calls.</Empty>
      ) : (
        <div className={styles.advice}>
          <div>
            <Along advice={data} onShow={setBehind} />
            <Returns advice={data} onShow={setBehind} />
          </div>
          <div>
            <Calibration groups={data.groups} onShow={setBehind} />
            <Against advice={data} onShow={setBehind} />
            <NotDone advice={data} onShow={setBehind} />
          </div>
          <div>
            <AdviceBy advice={data} onShow={setBehind} />
            <Worst advice={data} />
          </div>
        </div>
      )}
      {behind && (
        <Cases
          behind={behind}
          filter={whose === 'mine' ? { ...filter, person: me.id } : filter}
          onClose={() => setBehind(undefined)}
        />
      )}
    </>
  );
}

interface Props {
  readonly advice: Advice;
  readonly onShow: Show;
}

function Along({ advice, onShow }: Props) {
  const points = [
    ...advice.stages.map(({ stage, right }) => ({
      title: STAGES[stage],
      note: 'first suspect right',
      right,
      behind: { title: `${STAGES[stage]}: first suspect wrong`, figure: `${stage}-wrong` } as const,
    })),
    {
      title: '30 days later',
      note: 'nobody came back',
      right: advice.lasting,
      behind: { title: 'Somebody came back within 30 days', figure: 'back' } as const,
    },
  ];
  return (
    <Block title="Along a call" note={`${advice.of} breaks`}>
      <ol className={styles.along}>
        {points.map(({ title, note, right, behind }) => (
          <li key={title}>
            <CordPiece state={right.of > 0 ? 'lit' : 'unlit'} />
            <span>
              <b>{title}</b>
              <small>{note}</small>
            </span>
            <span>
              <b>{right.of === 0 ? '–' : `${percent(right.share)} %`}</b>
              <small>
                {right.of === 0 ? 'no call' : `${percent(right.low)}–${percent(right.high)} of ${right.of}`}
              </small>
              {right.right < right.of && (
                <Counted behind={behind} onShow={onShow}>
                  {right.of - right.right} not
                </Counted>
              )}
            </span>
          </li>
        ))}
      </ol>
      <dl className={styles.figures}>
        <dt>Repairs before anything condemned the part</dt>
        <dd>
          <Counted behind={{ title: 'Repaired before it was condemned', figure: 'unproved' }} onShow={onShow}>
            {advice.unproved}
          </Counted>{' '}
          of{' '}
          <Counted behind={{ title: 'Calls with a repair', figure: 'fitted' }} onShow={onShow}>
            {advice.fitted}
          </Counted>
        </dd>
        <dt>Repairs that were of something else</dt>
        <dd>
          <Counted behind={{ title: 'Something else was repaired', figure: 'in-vain' }} onShow={onShow}>
            {advice.inVain}
          </Counted>
        </dd>
      </dl>
    </Block>
  );
}

const whole = (n: number | null): string => (n === null ? '–' : String(Math.round(n)));

function Against({ advice: { tests, minutes, moreTests }, onShow }: Props) {
  return (
    <Block title="Tests and minutes, against the plan" note="proved calls">
      <dl className={styles.figures}>
        <dt>Tests to proof, median</dt>
        <dd>
          <b>{whole(tests.median)}</b>, plan {whole(tests.planned)}
        </dd>
        <dt>Minutes to the record, median</dt>
        <dd>
          <b>{whole(minutes.median)}</b>, plan for the tests {whole(minutes.planned)}
        </dd>
        <dt>8 in 10 within</dt>
        <dd>
          <b>{whole(minutes.most)}</b> min, {whole(tests.most)} tests
        </dd>
        <dt>More tests than planned</dt>
        <dd>
          <Counted behind={{ title: 'More tests than planned', figure: 'more-tests' }} onShow={onShow}>
            {moreTests}
          </Counted>
        </dd>
      </dl>
    </Block>
  );
}

/** Why somebody had to come again. */
function Returns({ advice: { lasting, returns }, onShow }: Props) {
  if (returns.length === 0) return null;
  return (
    <Block title="Came back within 30 days" note={`${lasting.of - lasting.right} of ${lasting.of} calls`}>
      <dl className={styles.figures}>
        {returns.map(({ why, cases }) => (
          <Fragment key={why}>
            <dt>{CAME_BACK[why]}</dt>
            <dd>
              <Counted behind={{ title: `Came back: ${CAME_BACK[why]}`, figure: `back-${why}` }} onShow={onShow}>
                {cases}
              </Counted>
            </dd>
          </Fragment>
        ))}
      </dl>
    </Block>
  );
}

function NotDone({ advice: { cannot, willNot }, onShow }: Props) {
  return (
    <Block title="Proposed and not done" note={`${cannot + willNot} tests`}>
      <dl className={styles.figures}>
        <dt>Could not be made</dt>
        <dd>
          <Counted behind={{ title: 'Could not be made', figure: 'cannot' }} onShow={onShow}>
            {cannot}
          </Counted>
        </dd>
        <dt>Was not wanted</dt>
        <dd>
          <Counted behind={{ title: 'Was not wanted', figure: 'will-not' }} onShow={onShow}>
            {willNot}
          </Counted>
        </dd>
      </dl>
    </Block>
  );
}

function Worst({ advice: { worst } }: { readonly advice: Advice }) {
  if (worst.length === 0) return null;
  return (
    <Block title="Worst three" note="each a lesson">
      <ul className={styles.list}>
        {worst.map((w) => (
          <li key={w.call}>
            <Link to={`/calls/${w.call}`}>
              {percent(w.said)} % for something else, was the {w.title}
            </Link>{' '}
            {w.machine}
          </li>
        ))}
      </ul>
    </Block>
  );
}
