import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import type { Instrument, Me } from '@zetalysis/contract';
import { calibrationDue, classWords, MEASURED_BY } from '@zetalysis/core/instruments';
import { http } from '../../api/http';
import { measureWith, useMine, useRegister } from '../../instruments/mine';
import { Button } from '../../kit/Button';
import { Notice } from '../../kit/Notice';
import { Page } from '../../kit/Page';
import { Status } from '../../kit/Status';
import { Table } from '../../kit/Table';
import { MEASURES, WriteDown } from './WriteDown';

/** The shop's instruments: how good they are, when they were calibrated, and when they last showed a live source. */
export default function Register({ me }: { me: Me }) {
  const { data: register = [], isPending, error } = useRegister();
  const mine = useMine();
  const queries = useQueryClient();
  const [written, setWritten] = useState<Instrument | 'new'>();
  const prove = useMutation({
    mutationFn: ({ id, when }: { id: string; when: 'before' | 'after' }) =>
      http('POST /instruments/:id/proofs', { params: { id }, body: { when } }),
    onSuccess: () => queries.invalidateQueries({ queryKey: ['instruments'] }),
  });
  const today = new Date().toISOString().slice(0, 10);
  const writes = me.role !== 'apprentice';
  return (
    <Page
      title="Instruments"
      about="What the judge counts with where one of them is used; a usual one’s class where none is written down."
      actions={
        writes && (
          <Button tone="main" onClick={() => setWritten('new')}>
            Write one down
          </Button>
        )
      }
    >
      {error && register.length === 0 && <Notice kind="problem">{error.message}</Notice>}
      {prove.error && <Notice kind="problem">{prove.error.message}</Notice>}
      <Table<Instrument>
        label="Instruments"
        rows={register}
        keyOf={(i) => i.id}
        loading={isPending}
        empty="None is written down yet."
        columns={[
          {
            title: 'Instrument',
            cell: (i) => (
              <>
                <b>{i.title}</b> <span className="fine">{i.serial}</span>
                {i.retired && <Status>not used any more</Status>}
              </>
            ),
          },
          { title: 'Class', wide: true, cell: (i) => <Class instrument={i} /> },
          {
            title: 'Calibrated',
            cell: (i) => (
              <>
                {i.calibrated ?? 'not known'}
                {i.due !== null && (
                  <>
                    {' '}
                    {!i.retired && calibrationDue(i.due, today) ? (
                      <Status tone="alarm">due since {i.due}</Status>
                    ) : (
                      <div className="fine">again {i.due}</div>
                    )}
                  </>
                )}
              </>
            ),
          },
          {
            title: 'Leads',
            figures: true,
            cell: (i) => (i.kind !== 'multimeter' ? '' : i.leadZero === null ? 'not known' : `${i.leadZero} Ω`),
          },
          {
            title: 'Proved on a live source',
            wide: true,
            cell: (i) => (
              <Proved instrument={i} onProve={(when) => prove.mutate({ id: i.id, when })} busy={prove.isPending} />
            ),
          },
          {
            title: 'On this device',
            cell: (i) => {
              const used = mine[i.kind] === i.id;
              return i.retired && !used ? null : (
                <Button
                  aria-pressed={used}
                  aria-label={used ? `Measured with ${i.title}` : `Measure with ${i.title}`}
                  onClick={() => measureWith(i.kind, used ? undefined : i.id)}
                >
                  {used ? '✓ In use' : 'Use it'}
                </Button>
              );
            },
          },
          {
            title: '',
            cell: (i) =>
              writes && (
                <Button tone="quiet" aria-label={`Correct ${i.title}`} onClick={() => setWritten(i)}>
                  Correct
                </Button>
              ),
          },
        ]}
      />
      <p className="fine">
        A voltmeter is shown a source that is known to be live before anything is called dead, and again after.
        Calibration and its intervals go by the makers’ sheets and the shop’s own rules.
      </p>
      {written !== undefined && (
        <WriteDown instrument={written === 'new' ? undefined : written} onClose={() => setWritten(undefined)} />
      )}
    </Page>
  );
}

function Class({ instrument: { kind, classes } }: { readonly instrument: Instrument }) {
  const written = MEASURED_BY[kind].flatMap((m) => (classes[m] ? [`${MEASURES[m]} ${classWords(classes[m])}`] : []));
  return written.length === 0 ? <span className="fine">as a usual one</span> : written.join(', ');
}

interface ProvedProps {
  readonly instrument: Instrument;
  readonly busy: boolean;
  readonly onProve: (when: 'before' | 'after') => void;
}

function Proved({ instrument: { kind, title, retired, provedBefore, provedAfter }, busy, onProve }: ProvedProps) {
  if (kind !== 'multimeter') return null;
  return (
    <>
      {(['before', 'after'] as const).map((when) => {
        const proof = when === 'before' ? provedBefore : provedAfter;
        return (
          <div key={when}>
            {when} {proof ? `${short.format(new Date(proof.at))} ${proof.by}` : 'never'}{' '}
            {!retired && (
              <Button
                tone="quiet"
                disabled={busy}
                aria-label={`${title} proved ${when}, now`}
                onClick={() => onProve(when)}
              >
                now
              </Button>
            )}
          </div>
        );
      })}
    </>
  );
}

const short = new Intl.DateTimeFormat('en', {
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
  hour12: false,
});
