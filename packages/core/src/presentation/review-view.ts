import type { CallReview } from '../book';
import type { Model } from '../profile';
import type { Outcome } from '../simulation';
import { formatDuration } from '../units';
import { predictionWords, questionTitle } from './question-words';
import { quantityWords, type Reader } from './reader';

/** A call afterwards, in words. */
export interface ReviewView {
  readonly truth: string;
  /** What would have come of it otherwise: what somebody did, and what followed. */
  readonly otherwise: readonly { readonly done: string; readonly comes: string }[];
  readonly wrong: readonly {
    readonly part: string;
    readonly title: string;
    readonly minutes: number;
    /** That somebody has to come back. */
    readonly callback: number;
    readonly comes: string;
  }[];
  readonly taken: readonly { readonly title: string; readonly minutes: number; readonly believed: number }[];
  readonly planned: readonly { readonly title: string; readonly minutes: number }[];
  /** What nothing told apart, and what would have. */
  readonly missing: string | undefined;
}

const ENDS: Readonly<Record<Outcome, string>> = {
  dead: 'nothing happens',
  stuck: 'it stops at a step and waits',
  'starts-over': 'it starts all over, again and again',
  'locks-out': 'it gives up with a lockout',
  cycles: 'it heats, stops and heats again',
  runs: 'it goes on burning',
};

/** What a review says to whoever reads in these units. */
export function reviewView(model: Model, review: CallReview, reader: Reader): ReviewView {
  const { truth, jumpers, reset, wrong, shows, taken, planned } = review;
  const again =
    shows === undefined
      ? 'A try runs all the same: it shows when somebody is away, and the same machine calls again.'
      : `It shows again ${formatDuration(shows)} after the next call for heat.`;
  return {
    truth: truth.words,
    otherwise: [
      ...jumpers.map(({ title, at, itself, sensed, then }) => ({
        done: `A jumper left across the ${title}`,
        comes: [
          itself
            ? `With it ${ENDS[then]}, and when it should be stopped nothing stops it.`
            : at === undefined
              ? `This fault does not open it, and the next one that should will not be stopped: ${ENDS[then]}.`
              : at === 0
                ? `It stays open, and rightly; with the jumper ${ENDS[then]}.`
                : `After ${formatDuration(at)} it would have opened; with the jumper ${ENDS[then]}.`,
          ...(sensed && at !== undefined
            ? [
                `It opens at ${quantityWords(sensed.opensAt, sensed.dimension, reader)}; the model comes to ${quantityWords(sensed.comes, sensed.dimension, reader)}.`,
              ]
            : []),
        ].join(' '),
      })),
      ...(reset
        ? [
            {
              done: 'The reset pushed again, nothing mended',
              comes: [
                reset.at === undefined
                  ? `Then ${ENDS[reset.outcome]}.`
                  : `It stops again ${formatDuration(reset.at)} after the call: ${ENDS[reset.outcome]}.`,
                ...(reset.smelled > 0 ? [`Gas comes unburned for ${formatDuration(reset.smelled)} of it.`] : []),
              ].join(' '),
            },
          ]
        : []),
    ],
    wrong: wrong.map(({ part, title, believed, minutes }) => ({
      part,
      title,
      minutes,
      callback: 1 - believed,
      comes: again,
    })),
    taken: taken.map(({ question, minutes, believed }) => ({
      title: questionTitle(model, question),
      minutes,
      believed,
    })),
    planned: planned.map(({ question, minutes }) => ({ title: questionTitle(model, question), minutes })),
    missing: missingWords(model, review, reader),
  };
}

function missingWords(model: Model, { truth, open }: CallReview, reader: Reader): string | undefined {
  if (!open) return undefined;
  const { other, by } = open;
  const pair = `No test of this machine tells “${truth.words}” from “${other.words}”.`;
  if (by.is === 'look')
    return `${pair} No point on its circuit would either: the ${model.parts[by.part]!.title} has to come out and be looked at.`;
  const [one, two] = by.reads.map((p) => predictionWords(model, by.question, p, reader));
  return `${pair} A test point at ${model.nets[by.red]} would: against ${model.nets[by.black]}, while ${by.phase.title.toLowerCase()}, it reads ${one} in the first case and ${two} in the second.`;
}
