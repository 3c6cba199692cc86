import { useQuery } from '@tanstack/react-query';
import type { Me } from '@zetalysis/contract';
import { BLANK_SHEET } from '@zetalysis/core/history';
import type { CallReport } from '@zetalysis/core/presentation';
import type { TestingStandard } from '@zetalysis/core/standards';
import { buildOf, type CallEvent } from '@zetalysis/core/visit';
import type { Around } from '@zetalysis/report';
import { UNSAID_SETTINGS, type ShopSettings } from '@zetalysis/contract';
import { settingsQuery, useContact, useMachine, useProfiles } from '../../api/queries';
import { dueWords, dutyWith } from '@zetalysis/core/upkeep';
import { http } from '../../api/http';
import { today } from '../../api/today';
import { holdEngine } from '../../engine/client';
import { photoAddress } from '../../store/photos';

/** So many duties stand on the customer’s page. */
const DUE_SHOWN = 4;

/** Everything that a paper about a call is made of. */
export interface ForPaper {
  readonly report: CallReport;
  readonly around: Around;
  readonly settings: ShopSettings;
  /** The call as a case file; nothing where no case can say how the machine is built. */
  readonly caseFile: string | undefined;
  /** The machine that it is about. */
  readonly machine: string | undefined;
}

/** The report of a call by the log as it is known here, with what stands around it; works without signal. */
export function useReport(events: readonly CallEvent[] | undefined, me: Me, standard: TestingStandard) {
  const opened = events?.find((e) => e.body.type === 'opened')?.body;
  const machineId = opened?.type === 'opened' ? opened.machine : undefined;
  const machine = useMachine(machineId);
  const contact = useContact(machineId);
  const upkeep = useQuery({
    queryKey: ['upkeep', machineId],
    enabled: machineId !== undefined,
    queryFn: () => http('GET /machines/:id/upkeep', { params: { id: machineId! } }),
  });
  const profiles = useProfiles();
  const people = useQuery({ queryKey: ['people'], queryFn: () => http('GET /people') });
  const settings = useQuery(settingsQuery);
  const report = useQuery({
    queryKey: ['report', events?.map((e) => e.id), me.units, standard],
    enabled: opened !== undefined,
    gcTime: 0,
    queryFn: async () => {
      const log = events!;
      if (opened?.type !== 'opened') throw new Error('This call was not opened yet.');
      const hold = holdEngine();
      try {
        const engine = await hold.load(opened.profile, opened.profileVersion, buildOf(opened), opened.settings.rates);
        const { role, grants } = me;
        const options = { units: me.units, person: { role, grants }, phase: undefined, standard } as const;
        const made = await engine.report(log, options);
        const caseFile = await engine.caseFile(log, `Call ${numberOf(made, log[0]!.call)}`, buildOf(opened));
        const pictures = new Map<string, string>();
        // A picture that is not at hand is said on the paper.
        for (const { photo } of made.technical.photos) {
          const address = await photoAddress(photo).catch(() => undefined);
          if (address !== undefined) pictures.set(photo, address);
        }
        return { made, caseFile, pictures, title: engine.drawing.title };
      } finally {
        hold.release();
      }
    },
  });
  const ready = report.data;
  // What is still on its way is waited for; what cannot be had stays blank.
  const isWaiting = [machine, contact, people, settings, upkeep].some((q) => q.isFetching && q.data === undefined);
  if (!ready || isWaiting) return { problem: report.error?.message, paper: undefined };
  const shop = settings.data ?? UNSAID_SETTINGS;
  const sheet = machine.data?.sheet ?? BLANK_SHEET;
  const names = new Map((people.data ?? []).map(({ name, fullName }) => [name, fullName]));
  const paper: ForPaper = {
    report: ready.made,
    settings: shop,
    caseFile: ready.caseFile,
    machine: machineId,
    around: {
      shop: { name: shop.name, address: shop.address },
      number: numberOf(ready.made, events![0]!.call),
      machine: machine.data && {
        label: machine.data.label,
        site: machine.data.site,
        make: machine.data.make,
        model: machine.data.modelName,
        serial: machine.data.serial,
        made: sheet.made,
        fuel: sheet.fuel,
        input: sheet.input,
      },
      family: profiles.data?.find((p) => opened?.type === 'opened' && p.id === opened.profile)?.title ?? ready.title,
      customer: contact.data?.customer ?? '',
      nameOf: (person) => names.get(person) ?? person,
      pictures: ready.pictures,
      due: (upkeep.data?.duties ?? [])
        .flatMap(({ duty, due }) => (due ? [{ duty, due }] : []))
        .sort((a, b) => (a.due.day < b.due.day ? -1 : 1))
        .slice(0, DUE_SHOWN)
        .map(({ duty, due }) => `${dutyWith(duty)?.title ?? duty}: ${dueWords(due, today())}`),
      limits:
        opened?.type === 'opened' && opened.limits
          ? `the shop’s: CO ${opened.limits.coFind}, ${opened.limits.coOff}, ${opened.limits.coOut} ppm`
          : 'of practice',
    },
  };
  return { problem: undefined, paper };
}

/** A number that two calls hardly share, and people can read out: the day, and the end of the call’s id. */
const numberOf = ({ customer }: CallReport, call: string): string =>
  `${(customer.opened ?? '').slice(2, 10).replaceAll('-', '')}-${call.slice(-4).toUpperCase()}`;
