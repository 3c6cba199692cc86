import { fitting, SHELF, unitsIn } from '@zetalysis/core/book';
import { useMe } from '../../api/me';
import { settingsQuery } from '../../api/queries';
import { useMoves, useStock } from '../../api/stock';
import { useQuery } from '@tanstack/react-query';
import { Button } from '../../kit/Button';
import { Notice } from '../../kit/Notice';
import styles from './SwapDialog.module.css';
import { useAppliance } from './use-appliance';

/** What the shop keeps that goes in a part's place: number, price, where it lies; one that is fitted leaves one's own van. */
export function InStock({ part }: { readonly part: string }) {
  const { drawing } = useAppliance();
  const me = useMe().data;
  const stock = useStock();
  const settings = useQuery(settingsQuery);
  const moves = useMoves();
  const items = fitting(stock.data ?? [], drawing.id, part).sort(
    (a, b) => unitsIn(b, me?.id ?? '') - unitsIn(a, me?.id ?? '') || unitsIn(b, SHELF) - unitsIn(a, SHELF),
  );
  return (
    <section aria-label="What the shop keeps of it">
      <h3>What the shop keeps of it</h3>
      {stock.error && <p className="fine">Not known now: {stock.error.message}</p>}
      {stock.data && items.length === 0 && <p className="fine">Nothing that goes in its place is written down.</p>}
      <ul className={styles.wires}>
        {items.map((item) => {
          const mine = me ? unitsIn(item, me.id) : 0;
          const price = item.price === null ? [] : [`${item.price} ${settings.data?.currency ?? ''}`.trim()];
          return (
            <li key={item.id}>
              <span>
                <b>{item.title}</b> {[item.number, ...price].filter((w) => w !== '').join(' · ')}
                <br />
                <span className="fine">
                  own van {mine}, shelf {unitsIn(item, SHELF)}
                </span>
              </span>
              <Button
                disabled={mine === 0 || !me}
                loading={moves.isPending}
                onClick={() => moves.mutate([{ item: item.id, place: me!.id, units: -1, why: 'fitted' }])}
              >
                One is fitted
              </Button>
            </li>
          );
        })}
      </ul>
      {moves.error && <Notice kind="problem">{moves.error.message}</Notice>}
      {moves.isSuccess && <p role="status">It left your van. Note the repair in the call as well.</p>}
    </section>
  );
}
