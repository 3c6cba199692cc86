import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Alert, Button, Checkbox, Modal } from 'antd';
import { useState } from 'react';
import type { Machine } from '@zetalysis/contract';
import { type Build, ordersOfProfile, ProblemError } from '@zetalysis/core/profile';
import { buildEntry } from '@zetalysis/core/visit';
import { http } from '../../api/http';
import { useProfiles } from '../../api/queries';
import { profileSource } from '../../store/profiles';
import { Preview } from '../../diagrams/Preview';

/** How this very unit is built: which options are present, and in which order its switches follow each other. */
export function BuildDialog({ machine, onClose }: { machine: Machine; onClose: () => void }) {
  const profiles = useProfiles();
  const family = profiles.data?.find((p) => p.id === machine.profile);
  const source = useQuery({ queryKey: ['source', machine.profile], queryFn: () => profileSource(machine.profile) });
  const [build, setBuild] = useState<Build>(machine.build);
  const queries = useQueryClient();
  const save = useMutation({
    mutationFn: () => http('PUT /machines/:id/build', { params: { id: machine.id }, body: buildEntry(build) }),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: ['machines'] });
      onClose();
    },
  });
  const orders = source.data === undefined ? {} : readOrders(source.data, machine.profile, build);
  const toggle = (option: string, present: boolean): void =>
    // Another circuit has other rungs: an order written for the old one means nothing there.
    setBuild({ options: present ? [...build.options, option] : build.options.filter((o) => o !== option), order: {} });
  const move = (rung: string, at: number, by: 1 | -1): void => {
    const list = [...orders[rung]!];
    [list[at], list[at + by]] = [list[at + by]!, list[at]!];
    setBuild({ ...build, order: { ...build.order, [rung]: list } });
  };
  const error = save.error?.message ?? source.error?.message;
  return (
    <Modal
      open
      title={`How ${machine.label} is built`}
      onCancel={onClose}
      onOk={() => save.mutate()}
      okText="Save"
      confirmLoading={save.isPending}
      width={860}
    >
      <p>
        Tick what is present on this unit and put its switches in the order in which power meets them. Ladder, sequence
        and suspects of its next calls follow; calls that are open keep what they were opened with.
      </p>
      {error !== undefined && <Alert type="error" role="alert" title={<pre>{error}</pre>} className="spaced" />}
      {family && family.variants.length === 0 && <p>This family has no options.</p>}
      <ul className="build-options">
        {family?.variants.map((v) => (
          <li key={v.id}>
            <Checkbox checked={build.options.includes(v.id)} onChange={(e) => toggle(v.id, e.target.checked)}>
              {v.title}
            </Checkbox>
          </li>
        ))}
      </ul>
      {Object.entries(orders).map(([rung, switches]) => (
        <section key={rung} aria-label={`Order on the rung ${rung}`}>
          <h3>Order on the rung “{rung}”, from the source on</h3>
          <ol className="build-order">
            {switches.map((part, i) => (
              <li key={part}>
                <span>{part.replaceAll('-', ' ')}</span>
                <Button disabled={i === 0} aria-label={`${part} earlier`} onClick={() => move(rung, i, -1)}>
                  ↑
                </Button>
                <Button
                  disabled={i === switches.length - 1}
                  aria-label={`${part} later`}
                  onClick={() => move(rung, i, 1)}
                >
                  ↓
                </Button>
              </li>
            ))}
          </ol>
        </section>
      ))}
      <Preview profile={machine.profile} build={build} />
    </Modal>
  );
}

/** Where switches can change places; nothing while the options do not go together, which the preview says. */
function readOrders(source: string, file: string, build: Build): Readonly<Record<string, readonly string[]>> {
  try {
    return ordersOfProfile(source, file, build);
  } catch (error) {
    if (error instanceof ProblemError) return {};
    throw error;
  }
}
