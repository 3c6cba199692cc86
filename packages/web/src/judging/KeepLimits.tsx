import { useMutation, useQueryClient } from '@tanstack/react-query';
import type { KeptField } from '@zetalysis/core/bench';
import { http } from '../api/http';
import { Button } from '../kit/Button';
import { Notice } from '../kit/Notice';

interface Props {
  /** Which of them may be kept here. */
  readonly fields: readonly KeptField[];
  /** Of which machine; nothing for all of the shop. */
  readonly machine: string | null;
  readonly test: string;
  readonly measure: string;
  /** What was typed of limits, by field. */
  readonly typed: Readonly<Partial<Record<string, string>>>;
}

/** Keeps limits that were typed with the shop or the machine, so that they are not typed again; an empty one is taken back. */
export function KeepLimits({ fields, machine, test, measure, typed }: Props) {
  const queries = useQueryClient();
  const keep = useMutation({
    mutationFn: async () => {
      for (const field of fields) {
        const value = typed[field];
        if (value === undefined) continue;
        const source = field === 'plate' ? (typed['source'] ?? '') : '';
        await http('PUT /limits', {
          body: { machine, test, measure, field, typed: value.trim(), source: source.trim() },
        });
      }
    },
    onSuccess: () => queries.invalidateQueries({ queryKey: ['limits'] }),
  });
  if (!fields.some((f) => typed[f] !== undefined)) return null;
  return (
    <p>
      <Button onClick={() => keep.mutate()} disabled={keep.isPending}>
        {machine === null ? 'Keep as the shop’s' : 'Keep with this machine'}
      </Button>{' '}
      {keep.isSuccess && (
        <span className="fine" role="status">
          Kept.
        </span>
      )}
      {keep.error && <Notice kind="problem">{keep.error.message}</Notice>}
    </p>
  );
}
