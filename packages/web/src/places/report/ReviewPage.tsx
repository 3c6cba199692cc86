import { useQuery } from '@tanstack/react-query';
import type { Me, ShopSettings } from '@zetalysis/contract';
import { fitting } from '@zetalysis/core/book';
import type { ReviewView } from '@zetalysis/core/presentation';
import { buildOf, type CallEvent } from '@zetalysis/core/visit';
import { Link, useParams } from 'react-router';
import { http } from '../../api/http';
import { settingsQuery } from '../../api/queries';
import { CordPiece } from '../../diagrams/CordPiece';
import { holdEngine } from '../../engine/client';
import { Block } from '../../kit/Block';
import { Empty } from '../../kit/Empty';
import { Notice } from '../../kit/Notice';
import { Page } from '../../kit/Page';
import { Waiting } from '../../kit/Waiting';
import { useCall } from '../../store/use-call';
import styles from './ReviewPage.module.css';

/** A call afterwards: what would have come otherwise, and its way beside the planner’s. */
export default function ReviewPage({ me }: { readonly me: Me }) {
  const { id } = useParams<{ id: string }>();
  const log = useCall(id!, me);
  const { data, error, profile } = useReview(log.events, me);
  const problem = log.missing ?? error?.message;
  if (problem !== undefined) return <Notice kind="problem">{problem}</Notice>;
  if (data === undefined) return <Waiting>Looking at the call…</Waiting>;
  return (
    <Page
      title="Review"
      about={
        <>
          {data === null ? '' : `${data.truth} · `}
          <Link to={`/calls/${id}`}>the call</Link>
        </>
      }
      className={styles.review}
    >
      {data === null ? (
        <Empty>
          No break is recorded that this machine can have: there is nothing to look at afterwards. Record the break
          first.
        </Empty>
      ) : (
        <Reviewed review={data} profile={profile!} />
      )}
    </Page>
  );
}

function useReview(events: readonly CallEvent[] | undefined, me: Me) {
  const opened = events?.find((e) => e.body.type === 'opened')?.body;
  const head = opened?.type === 'opened' ? opened : undefined;
  const asked = useQuery({
    queryKey: ['review', events?.map((e) => e.id), me.units],
    enabled: head !== undefined,
    gcTime: 0,
    queryFn: async () => {
      const hold = holdEngine();
      try {
        const { profile, profileVersion, settings } = head!;
        const engine = await hold.load(profile, profileVersion, buildOf(head!), settings.rates);
        return (await engine.review(events!, me.units)) ?? null;
      } finally {
        hold.release();
      }
    },
  });
  return { data: asked.data, error: asked.error, profile: head?.profile };
}

interface ReviewedProps {
  readonly review: ReviewView;
  readonly profile: string;
}

const percent = (x: number): string => `${Math.round(100 * x)} %`;
const count = ({ length }: { readonly length: number }): string => (length === 1 ? 'one test' : `${length} tests`);
const sum = (steps: readonly { readonly minutes: number }[]): number =>
  Math.round(steps.reduce((n, s) => n + s.minutes, 0));

function Reviewed({ review, profile }: ReviewedProps) {
  const { taken, planned, otherwise, missing } = review;
  return (
    <div className={styles.columns}>
      <Block title="The way taken" note={`${count(taken)}, ${sum(taken)} min`}>
        {taken.length === 0 && <Empty>Nothing was tested after the try.</Empty>}
        <ol className={styles.way}>
          {taken.map(({ title, minutes, believed }, i) => (
            <li key={`${i} ${title}`}>
              <CordPiece state="lit" />
              <span>
                <b>{title}</b>
                <small>
                  {Math.round(minutes)} min · then {percent(believed)} for what it was
                </small>
              </span>
            </li>
          ))}
        </ol>
      </Block>
      <Block title="The planner’s way" note={`${count(planned)}, ${sum(planned)} min`}>
        {planned.length === 0 && <Empty>From the try on no set of tests proves it whole.</Empty>}
        <ol className={styles.planned}>
          {planned.map(({ title, minutes }) => (
            <li key={title}>
              <b>{title}</b>
              <small>{Math.max(1, Math.round(minutes))} min</small>
            </li>
          ))}
        </ol>
        {missing !== undefined && (
          <div className={styles.missing}>
            <h3>A test point is missing</h3>
            <p>{missing}</p>
          </div>
        )}
      </Block>
      <div className={styles.otherwise}>
        <Block title="What would have come" note="by the model">
          {otherwise.length === 0 && <Empty>No safety stopped it, and nothing gave up.</Empty>}
          <ul>
            {otherwise.map(({ done, comes }) => (
              <li key={done}>
                <b>{done}</b>
                <p>{comes}</p>
              </li>
            ))}
          </ul>
          {otherwise.length > 0 && (
            <p className={styles.fine}>
              Never try this on a machine: a jumper is for a moment’s measuring, watched, and local codes say more.
            </p>
          )}
        </Block>
        <Wrong wrong={review.wrong} profile={profile} />
      </div>
    </div>
  );
}

/** What it would have cost to fit another part, and that somebody comes back. */
function Wrong({ wrong, profile }: { readonly wrong: ReviewView['wrong']; readonly profile: string }) {
  const stock = useQuery({ queryKey: ['stock'], queryFn: () => http('GET /stock') });
  const settings = useQuery(settingsQuery);
  const price = (part: string): number | undefined =>
    fitting(stock.data ?? [], profile, part)
      .flatMap((i) => i.price ?? [])
      .sort((a, b) => a - b)[0];
  return (
    <Block title="The wrong part fitted" note="once the try was watched">
      {wrong.length === 0 && <Empty>Nothing else was likely that is fitted new.</Empty>}
      <ul>
        {wrong.map(({ part, title, minutes, callback, comes }) => (
          <li key={part}>
            <b>{title}</b>: {percent(callback)} that somebody comes back
            <p>
              {minutes} min{cost(settings.data, minutes, price(part))}, in vain. {comes}
            </p>
          </li>
        ))}
      </ul>
    </Block>
  );
}

function cost(settings: ShopSettings | undefined, minutes: number, price: number | undefined): string {
  if (!settings?.hour) return '';
  const labour = (settings.hour * minutes) / 60;
  const { currency } = settings;
  return price === undefined
    ? `, ${currency}${Math.round(labour)} without the part`
    : `, ${currency}${Math.round(labour + price)} with the part`;
}
