import { useQuery } from '@tanstack/react-query';
import { Checkbox } from 'antd';
import { useState } from 'react';
import type { Machine, ProfileSummary } from '@zetalysis/contract';
import { type Build, ordersOfProfile, ProblemError } from '@zetalysis/core/profile';
import { buildEntry } from '@zetalysis/core/visit';
import { useMachineChange } from '../../api/change-machine';
import { http } from '../../api/http';
import { useProfiles } from '../../api/queries';
import { profileSource } from '../../store/profiles';
import { Button } from '../../kit/Button';
import { Dialog } from '../../kit/Dialog';
import { Notice } from '../../kit/Notice';
import { useGuide } from '../../engine/use-guide';
import type { Drawing } from '@zetalysis/core/presentation';
import styles from './BuildDialog.module.css';
import { Preview } from '../../diagrams/Preview';

/** How this very unit is built: which options are present, and in which order its switches follow each other. */
export function BuildDialog({ machine, onClose }: { machine: Machine; onClose: () => void }) {
  const profiles = useProfiles();
  const family = profiles.data?.find((p) => p.id === machine.profile);
  const source = useQuery({ queryKey: ['source', machine.profile], queryFn: () => profileSource(machine.profile) });
  const [build, setBuild] = useState<Build>(machine.build);
  const { drawing } = useGuide(machine.profile, build, 'us', undefined, { withGuide: false });
  const save = useMachineChange(
    machine,
    () => http('PUT /machines/:id/build', { params: { id: machine.id }, body: buildEntry(build) }),
    onClose,
  );
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
    <Dialog
      title={`How ${machine.label} is built`}
      onClose={onClose}
      action="Save"
      onAction={() => save.mutate(undefined)}
      busy={save.isPending}
      width={860}
    >
      <p>
        Tick what is present on this unit and put its switches in the order in which power meets them. Ladder, sequence
        and suspects of its next calls follow; calls that are open keep what they were opened with.
      </p>
      {error !== undefined && (
        <Notice kind="problem">
          <pre>{error}</pre>
        </Notice>
      )}
      {family && <Options variants={family.variants} build={build} onToggle={toggle} />}
      {Object.entries(orders).map(([rung, switches]) => (
        <SwitchOrder
          key={rung}
          title={`Order of the switches ${between(drawing, rung)}, from the source on`}
          switches={switches.map((id) => drawing?.parts.find((p) => p.id === id)?.title ?? id.replaceAll('-', ' '))}
          onMove={(at, by) => move(rung, at, by)}
        />
      ))}
      <Preview profile={machine.profile} build={build} />
    </Dialog>
  );
}

interface OptionsProps {
  readonly variants: ProfileSummary['variants'];
  readonly build: Build;
  readonly onToggle: (option: string, present: boolean) => void;
}

/** What may be present on a unit of this family. */
const Options = ({ variants, build, onToggle }: OptionsProps) =>
  variants.length === 0 ? (
    <p>This family has no options.</p>
  ) : (
    <ul className={styles.options}>
      {variants.map((v) => (
        <li key={v.id}>
          <Checkbox checked={build.options.includes(v.id)} onChange={(e) => onToggle(v.id, e.target.checked)}>
            {v.title}
          </Checkbox>
        </li>
      ))}
    </ul>
  );

/** The ends of a rung, as the drawing names them. */
function between(drawing: Drawing | undefined, rung: string): string {
  const nets = drawing?.rungs.find((r) => r.id === rung)?.items.flatMap((i) => (i.kind === 'net' ? i.name : []));
  return nets ? `between ${nets[0]} and ${nets[nets.length - 1]}` : `of “${rung}”`;
}

/** Switches one after the other, each to be moved up or down. */
function SwitchOrder({
  title,
  switches,
  onMove,
}: {
  title: string;
  switches: readonly string[];
  onMove: (at: number, by: 1 | -1) => void;
}) {
  return (
    <section aria-label={title}>
      <h3>{title}</h3>
      <ol className={styles.order}>
        {switches.map((name, i) => (
          <li key={name}>
            <span>
              {i + 1}. {name}
            </span>
            <Button disabled={i === 0} aria-label={`${name} earlier`} onClick={() => onMove(i, -1)}>
              ↑
            </Button>
            <Button disabled={i === switches.length - 1} aria-label={`${name} later`} onClick={() => onMove(i, 1)}>
              ↓
            </Button>
          </li>
        ))}
      </ol>
    </section>
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
