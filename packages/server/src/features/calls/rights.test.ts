import { v7 } from 'uuid';
import { proofListsFor } from '@zetalysis/core/rules';
import type { EventBody, Overview } from '@zetalysis/core/visit';
import { type Credentials, made, openHouse, opening } from '../../../test/house';

const house = openHouse();
const { api, signIn } = house;

/** Apprentice, technician, lead, admin. */
const PEOPLE = ['bea', 'imre', 'rosa', 'office'] as const;
type Person = (typeof PEOPLE)[number];
const credentials = new Map<Person, Credentials>();

let call: string;
let seq: number;
beforeAll(async () => {
  for (const name of PEOPLE) credentials.set(name, await signIn(name));
});
beforeEach(async () => {
  call = v7();
  seq = 0;
  await say('imre', opening);
});

/** One entry of somebody's; gives its id. */
async function say(person: Person, body: EventBody): Promise<string> {
  const event = made(call, body, ++seq, person);
  const answer = await api()
    .post(`/api/calls/${call}/events`)
    .set(credentials.get(person)!)
    .send({ events: [event] });
  expect([person, body.type, answer.status]).toEqual([person, body.type, 200]);
  return event.id;
}

async function overview(): Promise<Overview> {
  const { body } = await api().get('/api/calls?size=100').set(credentials.get('imre')!);
  return (body as { calls: { id: string; overview: Overview }[] }).calls.find((c) => c.id === call)!.overview;
}

const setup = (change: object): EventBody => ({
  type: 'setup',
  power: true,
  gas: true,
  call: true,
  unplugged: [],
  bypassed: [],
  ...change,
});
const ledger = [{ id: 'limit', title: 'high limit', kind: 'furnace-limit', limit: 60 }];
const coOver: EventBody = {
  type: 'stop-ended',
  stop: 'co-off',
  evidence: { source: 'vent joint remade', co: 4, flue: 'yes' },
};
const crackOver: EventBody = { type: 'stop-ended', stop: 'exchanger', evidence: { how: 'no crack on a second look' } };
const leftOff: EventBody = {
  type: 'closed',
  words: '',
  ending: 'left-off',
  given: { why: 'no part', told: 'Ms Quill', tag: 'on the switch' },
};
const mistake: EventBody = { type: 'closed', words: '', ending: 'mistake', given: { reason: 'wrong house' } };

/** By hand, from the rules: what becomes of a claim by each role, `+` takes effect, `c` waits. Common practice, no source. */
const CLAIMS: readonly {
  readonly name: string;
  readonly before: readonly EventBody[];
  readonly claim: EventBody;
  readonly done: (o: Overview) => boolean;
  readonly by: Readonly<Record<Person, '+' | 'c'>>;
}[] = [
  {
    name: 'a stop that a technician ends',
    before: [{ type: 'fact', fact: 'co', value: 40 }],
    claim: coOver,
    done: (o) => o.stops.length === 0,
    by: { bea: 'c', imre: '+', rosa: '+', office: 'c' },
  },
  {
    name: 'a stop that a lead ends',
    before: [{ type: 'fact', fact: 'exchanger', value: 'crack' }],
    claim: crackOver,
    done: (o) => o.stops.length === 0,
    by: { bea: 'c', imre: 'c', rosa: '+', office: 'c' },
  },
  {
    name: 'opened by mistake',
    before: [],
    claim: mistake,
    done: (o) => o.state === 'closed',
    by: { bea: 'c', imre: '+', rosa: '+', office: 'c' },
  },
  {
    name: 'left off and tagged',
    before: [setup({ gas: false, power: false })],
    claim: leftOff,
    done: (o) => o.state === 'closed',
    by: { bea: '+', imre: '+', rosa: '+', office: 'c' },
  },
];

describe.each(CLAIMS)('$name', ({ before, claim, done, by }) => {
  test.each(PEOPLE)('by %s', async (person) => {
    for (const body of before) await say('imre', body);
    const id = await say(person, claim);
    const after = await overview();
    expect([done(after), after.claims.map((c) => c.event)]).toEqual(by[person] === '+' ? [true, []] : [false, [id]]);
    if (by[person] === '+') return;
    // Nobody signs their own; a lead signs for everybody.
    await say(person, { type: 'countersigned', event: id, says: 'yes', words: '' });
    expect(done(await overview())).toBe(false);
    await say('rosa', { type: 'countersigned', event: id, says: 'yes', words: '' });
    const signed = await overview();
    expect([done(signed), signed.claims]).toEqual([true, []]);
  });
});

test.each(PEOPLE)('what is so counts at once, whoever says it: %s', async (person) => {
  await say(person, setup({ bypassed: ['limit'], ledger }));
  expect((await overview()).bypasses).toMatchObject([{ id: 'limit', person }]);
  await say(person, { type: 'fact', fact: 'co', value: 80 });
  expect((await overview()).stops[0]).toMatchObject({ id: 'co-out', grade: 'out', person });
  await say(person, setup({}));
  expect((await overview()).bypasses).toEqual([]);
});

test('a claim that is sent back waits no more, and changes nothing', async () => {
  await say('imre', { type: 'fact', fact: 'co', value: 40 });
  const id = await say('bea', coOver);
  await say('imre', { type: 'countersigned', event: id, says: 'no', words: 'read it again after 15 min' });
  expect(await overview()).toMatchObject({ claims: [], stops: [{ id: 'co-off' }] });
});

test('what somebody might do counts as it was when the entry came', async () => {
  const lead = credentials.get('rosa')!;
  const people = (await api().get('/api/people').set(lead)).body as { id: string; name: string }[];
  const { id } = people.find((p) => p.name === 'imre')!;
  const give = (grants: string[]) => api().put(`/api/people/${id}/grants`).set(lead).send({ grants });
  await say('imre', { type: 'fact', fact: 'case-volts', value: 60 });
  const over: EventBody = { type: 'stop-ended', stop: 'shock', evidence: { hot: 'yes', neutral: 0, case: 0 } };
  await give([]);
  const claim = await say('imre', over);
  expect((await overview()).claims.map((c) => c.event)).toEqual([claim]);
  await give(['line', 'gas', 'bypass', 'combustion', 'steam']);
  // The grant of today does not sign the claim of yesterday.
  expect((await overview()).claims.map((c) => c.event)).toEqual([claim]);
  await say('imre', over);
  expect((await overview()).stops).toEqual([]);
});

test('a call that is closed too early stays open, and the entry is kept', async () => {
  await say('imre', setup({ bypassed: ['limit'], ledger }));
  await say('imre', { type: 'closed', words: '', ending: 'proved', given: {} });
  expect(await overview()).toMatchObject({ state: 'open', ending: null });
});

test('a late bypass opens a closed call again', async () => {
  await say('imre', mistake);
  expect(await overview()).toMatchObject({ state: 'closed', ending: 'mistake' });
  await say('bea', setup({ bypassed: ['limit'], ledger }));
  expect(await overview()).toMatchObject({ state: 'late', late: 1 });
  const watched = (await api().get('/api/calls/watch').set(credentials.get('rosa')!)).body as { id: string }[];
  expect(watched.map((c) => c.id)).toContain(call);
});

test('who looks at a call is told to whoever works on it, for as long as they look', async () => {
  await api().put(`/api/calls/${call}/looking`).set(credentials.get('rosa')!).expect(204);
  const { body } = await api().get(`/api/calls/${call}/events`).set(credentials.get('imre')!);
  expect((body as { looking: string[] }).looking).toEqual(['Rosa Tindall']);
  await house.sequelize.query("UPDATE lookers SET at = '2026-01-01'");
  const later = await api().get(`/api/calls/${call}/events`).set(credentials.get('imre')!);
  expect((later.body as { looking: string[] }).looking).toEqual([]);
});

test('the next call on a machine counts the resets that nobody found a cause for', async () => {
  const me = credentials.get('imre')!;
  const machines = (await api().get('/api/machines?search=Quarry').set(me)).body as { machines: { id: string }[] };
  const machine = machines.machines[0]!.id;
  call = v7();
  seq = 0;
  await say('imre', { ...opening, machine });
  await say('imre', { type: 'reset', safety: 'rollout', title: 'roll-out switch', kind: 'roll-out', by: 'us' });
  const resets = async () => (await api().get(`/api/machines/${machine}/resets`).set(me)).body as object[];
  expect(await resets()).toMatchObject([{ safety: 'rollout' }]);
  const before = (await resets()) as [];
  call = v7();
  seq = 0;
  await say('imre', { ...opening, machine, before });
  await say('imre', { type: 'reset', safety: 'rollout', title: 'roll-out switch', kind: 'roll-out', by: 'us' });
  expect((await overview()).stops).toMatchObject([{ id: 'reset-again' }]);
});

test('left off and tagged it stays in sight, until a later call on the machine was proved', async () => {
  const lead = credentials.get('rosa')!;
  const machine = (await api().get('/api/machines').set(lead)).body as { machines: { id: string; profile: string }[] };
  const [at] = machine.machines.filter((m) => m.profile === 'furnace-condensing');
  const watched = async (): Promise<string[]> =>
    ((await api().get('/api/calls/watch').set(lead)).body as { id: string }[]).map(({ id }) => id);
  const onMachine = async (bodies: readonly EventBody[]): Promise<string> => {
    call = v7();
    seq = 0;
    await say('rosa', { ...opening, machine: at!.id } as EventBody);
    for (const body of bodies) await say('rosa', body);
    return call;
  };
  const tagged = await onMachine([setup({ gas: false, power: false }), leftOff]);
  expect(await watched()).toContain(tagged);
  await onMachine([setup({ gas: false, power: false }), leftOff]);
  expect(await watched()).toContain(tagged);
  const lines = proofListsFor('furnace', []).flatMap((list) => list.lines);
  const done = lines
    .filter(({ by }) => by === undefined)
    .map(({ id, number }): EventBody => ({
      type: 'proof-line',
      line: id,
      answer: 'done',
      ...(number && { value: number.least ?? number.most! }),
    }));
  const advice = { suspects: [], standing: 'proved' } as const;
  const broke = { part: 'x', failure: 'open', cause: '', action: '', standing: 'proved', advice } as const;
  const proved = await onMachine([
    { type: 'repaired', part: 'x', action: 'replaced', title: 'x', touches: [] },
    { type: 'fact', fact: 'showed', value: 'steady' },
    ...done,
    { type: 'break-recorded', ...broke, advice: { ...advice, suspects: [] } },
    { type: 'closed', words: '', ending: 'proved', given: {} },
  ]);
  expect(await overview()).toMatchObject({ state: 'closed', ending: 'proved' });
  expect(await watched()).not.toContain(tagged);
  expect(await watched()).not.toContain(proved);
});
