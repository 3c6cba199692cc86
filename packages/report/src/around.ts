/** What a report says beside the call itself: who writes it, about which machine, and what is known of names and pictures. */
export interface Around {
  readonly shop: { readonly name: string; readonly address: string };
  /** The number of the report. */
  readonly number: string;
  readonly machine: MachineFacts | undefined;
  /** The family of the appliance in words. */
  readonly family: string;
  readonly customer: string;
  /** The full name of whoever signs in by a name. */
  readonly nameOf: (person: string) => string;
  /** Pictures by the id of their photo, as data URIs. */
  readonly pictures: ReadonlyMap<string, string>;
  /** What is due on the machine, in words. */
  readonly due: readonly string[];
  readonly limits: string;
  /** The time zone in which times are written; that of this machine where none is said. */
  readonly timeZone?: string;
}

export interface MachineFacts {
  readonly label: string;
  readonly site: string;
  readonly make: string;
  readonly model: string;
  readonly serial: string;
  readonly made: string;
  readonly fuel: string;
  readonly input: string;
}

const format = (options: Intl.DateTimeFormatOptions, { timeZone }: Around): Intl.DateTimeFormat =>
  new Intl.DateTimeFormat('en-GB', { ...options, ...(timeZone !== undefined && { timeZone }) });

/** A day in words. */
export const dayOf = (at: string, around: Around): string =>
  format({ weekday: 'long', day: 'numeric', month: 'long', year: 'numeric' }, around).format(new Date(at));

/** A time of day. */
export const timeOf = (at: string, around: Around): string =>
  format({ hour: '2-digit', minute: '2-digit' }, around).format(new Date(at));

/** From when to when, with the day of the end where it is another one. */
export function spanOf(from: string | undefined, to: string | undefined, around: Around): string {
  if (from === undefined) return '';
  const began = `${dayOf(from, around)}, ${timeOf(from, around)}`;
  if (to === undefined) return `${began}, still open`;
  return dayOf(from, around) === dayOf(to, around)
    ? `${began} to ${timeOf(to, around)}`
    : `${began} to ${dayOf(to, around)}, ${timeOf(to, around)}`;
}

/** The machine in one line: what it is, where it stands, what its plate says. */
export function machineLine({ machine, family }: Around): string {
  if (!machine) return family;
  const plate = [[machine.make, machine.model].filter((w) => w !== '').join(' '), machine.serial, machine.made];
  return `${machine.label}, ${machine.site}. ${[...plate.filter((w) => w !== ''), family].join(', ')}.`;
}
