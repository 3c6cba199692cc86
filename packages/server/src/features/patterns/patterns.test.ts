import type { Advice, Breaks, PatternsStanding, Rates, SeenCase, Trends } from '@zetalysis/contract';
import { ADVICE_FIGURES, type AdviceFigure, type RateBook } from '@zetalysis/core/book';
import { MILLIS_A_YEAR } from '@zetalysis/core/history';
import { openHouse } from '../../../test/house';

const { api, signIn } = openHouse();

const get = async <R>(path: string, name = 'rosa') => {
  const { status, body } = await api()
    .get(`/api${path}`)
    .set(await signIn(name));
  return { status, body: body as R & { detail?: string } };
};
const post = async <R>(path: string, given: object = {}, name = 'rosa') => {
  const { status, body } = await api()
    .post(`/api${path}`)
    .set(await signIn(name))
    .send(given);
  return { status, body: body as R & { detail?: string } };
};
const readAll = async (): Promise<PatternsStanding> => {
  for (;;) {
    const { body } = await post<PatternsStanding>('/patterns/read');
    if (body.unread === 0) return body;
  }
};

test('closed calls are read into the book, some at a time, and each once', async () => {
  const before = (await get<PatternsStanding>('/patterns')).body;
  expect(before.calls).toBe(0);
  expect(before.unread).toBeGreaterThan(5);
  const after = await readAll();
  expect(after.calls).toBe(before.unread);
  expect(after.breaks).toBeGreaterThan(2);
  expect(await readAll()).toEqual(after);
});

test('breaks are counted by what broke and what was its cause, and the calls behind a figure are shown', async () => {
  const { lines, total } = (await get<Breaks>('/patterns/breaks')).body;
  expect(total).toBe(lines.reduce((sum, l) => sum + l.cases, 0));
  expect(lines.map((l) => l.cases)).toEqual([...lines.map((l) => l.cases)].sort((a, b) => b - a));
  for (const { title, cases } of lines) {
    const behind = (await get<{ cases: SeenCase[] }>(`/patterns/cases?part=${encodeURIComponent(title)}`)).body.cases;
    expect(behind).toHaveLength(cases);
    expect(new Set(behind.map((c) => c.title))).toEqual(new Set([title]));
  }
  const rod = lines.find(({ title }) => title === 'flame rod')!;
  expect(rod.cases).toBeGreaterThan(0);
  const none = (await get<Breaks>('/patterns/breaks?from=2001-01-01&until=2001-02-01')).body;
  expect(none).toMatchObject({ lines: [], total: 0 });
});

test('everybody sees what the advice on their own calls was worth, a lead that on the shop’s', async () => {
  const mine = (await get<Advice>('/patterns/advice', 'imre')).body;
  const shop = (await get<Advice>('/patterns/advice?whose=shop')).body;
  expect(mine.of).toBeLessThan(shop.of);
  expect(mine.people).toEqual([]);
  expect(shop.people.length).toBeGreaterThan(0);
  for (const { right } of shop.stages) {
    expect(right.low).toBeLessThanOrEqual(right.share);
    expect(right.high).toBeGreaterThanOrEqual(right.share);
  }
  expect(await get('/patterns/advice?whose=shop', 'imre')).toMatchObject({ status: 403 });
});

test('every figure of the advice has its calls behind it', async () => {
  await readAll();
  const { body: advice } = await get<Advice>('/patterns/advice?whose=shop');
  const behind = async (figure: AdviceFigure): Promise<number> => {
    const { status, body } = await get<{ cases: SeenCase[] }>(`/patterns/cases?figure=${figure}`);
    expect(status).toBe(200);
    return body.cases.length;
  };
  const counts = new Map<AdviceFigure, number>();
  for (const figure of ADVICE_FIGURES) counts.set(figure, await behind(figure));
  for (const { stage, right } of advice.stages) expect(counts.get(`${stage}-wrong`)).toBe(right.of - right.right);
  expect(counts.get('more-tests')).toBe(advice.moreTests);
  expect(counts.get('watched')).toBe(advice.stages.find((s) => s.stage === 'watched')!.right.of);
  expect(counts.get('back')).toBe(advice.lasting.of - advice.lasting.right);
  expect(advice.returns.reduce((sum, r) => sum + r.cases, 0)).toBe(counts.get('back'));
  for (const { why, cases } of advice.returns) expect(counts.get(`back-${why}`)).toBe(cases);
  // Those of the last thirty days count as well where it is known already that somebody came back.
  const { repeats } = (await get<Breaks>('/patterns/breaks')).body;
  const told = (...whys: readonly string[]): number =>
    advice.returns.reduce((sum, r) => (whys.includes(r.why) ? sum + r.cases : sum), 0);
  expect(repeats.same).toBeGreaterThanOrEqual(told('again', 'cause', 'unproved'));
  expect(repeats.of - repeats.same).toBeGreaterThanOrEqual(told('other', 'nothing'));
  expect(advice.groups.length).toBeGreaterThan(0);
  for (const { group, was } of advice.groups) expect(counts.get(`said-${group}`)).toBe(was.of);
  for (const [figure, times] of [
    ['fitted', advice.fitted],
    ['unproved', advice.unproved],
    ['in-vain', advice.inVain],
    ['cannot', advice.cannot],
    ['will-not', advice.willNot],
  ] as const) {
    expect(counts.get(figure)! > 0).toBe(times > 0);
    expect(counts.get(figure)).toBeLessThanOrEqual(times);
  }
  expect((await get('/patterns/cases?figure=luck')).status).toBe(400);
  // What the advice to others came to is theirs to see, and a lead's.
  const me = (await get<{ id: string }>('/session', 'imre')).body.id;
  expect((await get(`/patterns/cases?figure=watched&person=${me}`, 'imre')).status).toBe(200);
  expect((await get('/patterns/cases?figure=watched', 'imre')).status).toBe(403);
  expect((await get('/patterns/cases?part=igniter', 'imre')).status).toBe(200);
});

test('rates are learned, kept, published and taken back by a lead; what they would have changed is said', async () => {
  const learned = (await get<Rates>('/rates')).body;
  expect(learned).toMatchObject({ current: null, versions: [] });
  const counted = learned.lines.filter((l) => l.cases > 0.9);
  expect(counted.length).toBeGreaterThan(0);
  for (const { low, rate, high } of learned.lines) {
    expect(low).toBeLessThanOrEqual(rate);
    expect(rate).toBeLessThanOrEqual(high);
  }
  expect(await post('/rates', { words: 'mine' }, 'imre')).toMatchObject({ status: 403 });
  const kept = await post<Rates>('/rates', { words: 'First of the shop' });
  expect(kept.status).toBe(201);
  const [{ version }] = kept.body.versions as [Rates['versions'][number]];
  expect((await get<{ version: number | null }>('/rates/current', 'imre')).body).toEqual({ version: null });
  const published = await post<Rates>(`/rates/${version}/publish`, { words: 'From today on' });
  expect(published.body).toMatchObject({ current: version });
  // Nothing was learned since: beside what is published nothing changes.
  expect(published.body.changed).toMatchObject({ better: 0, worse: 0, neither: 0 });
  expect((await get<{ version: number | null }>('/rates/current', 'imre')).body).toEqual({ version });
  const { book } = (await get<{ book: RateBook }>(`/rates/${version}`, 'bea')).body;
  expect(Object.keys(book.families).length).toBeGreaterThan(0);
  expect((await post<Rates>('/rates/shipped', { words: 'Back to what ships' })).body).toMatchObject({ current: null });
  expect(await post(`/rates/${version}/publish`, { words: 'again' }, 'imre')).toMatchObject({ status: 403 });
  expect(await post('/rates/99999/publish', { words: 'x' })).toMatchObject({ status: 404 });
  expect(await get('/rates/99999')).toMatchObject({ status: 404 });
});

test.each([
  ['/patterns/breaks?from=yesterday', /day as 2026-11-30/],
  ['/patterns/breaks?person=imre', /person/],
  ['/patterns/advice?whose=everybody', /whose/],
  ['/rates/0', /version/],
  ['/patterns/cases?colour=red', /colour/],
])('%s is refused in words', async (path, words) => {
  const { status, body } = await get(path);
  expect(status).toBe(400);
  expect(body.detail).toMatch(words);
});

test('what slides on machines is told over all of them, as the page of the one machine tells it, and again when a call is added', async () => {
  await readAll();
  const { lines } = (await get<Trends>('/patterns/trends')).body;
  const [line] = lines.filter(({ title }) => title === 'Flame signal');
  expect(line).toMatchObject({ dimension: 'current', words: 'marginal' });
  expect(line!.perYear).toBeLessThan(-line!.perYearWithin);
  expect(Date.parse(line!.earliest!)).toBeLessThan(Date.parse(line!.latest!));
  // Until a limit is reached at this pace from where it stands: between the ends of what is said.
  const reached = Date.parse(line!.lastAt) + ((line!.limit! - line!.lastValue) / line!.perYear) * MILLIS_A_YEAR;
  expect(reached).toBeGreaterThan(Date.parse(line!.earliest!));
  expect(reached).toBeLessThan(Date.parse(line!.latest!));
  const { site, profile } = line!;
  const same = (await get<Trends>(`/patterns/trends?${new URLSearchParams({ site, profile }).toString()}`)).body.lines;
  expect(same).toContainEqual(line);
  expect((await get<Trends>('/patterns/trends?site=nowhere')).body.lines).toEqual([]);
  expect((await get<Trends>('/patterns/trends?from=soon')).status).toBe(400);
});

test('what was measured on a machine goes with it where it is merged, and comes back', async () => {
  await readAll();
  const lines = async () =>
    (await get<Trends>('/patterns/trends')).body.lines.filter((l) => l.title === 'Flame signal');
  const put = async (path: string, given: object) =>
    (
      await api()
        .put(`/api${path}`)
        .set(await signIn('rosa'))
        .send(given)
    ).status;
  const [line] = await lines();
  const { body } = await get<{ machines: { id: string; profile: string; label: string }[] }>('/machines?size=50');
  const { calls } = (await get<{ calls: { machine: { id: string } | null }[] }>('/calls?state=closed&size=50')).body;
  const called = new Set(calls.map((c) => c.machine?.id));
  const other = body.machines.find((m) => m.profile === line!.profile && m.id !== line!.machine && called.has(m.id))!;
  expect(await put(`/machines/${line!.machine}/merged`, { into: other.id })).toBe(200);
  expect((await readAll()).unread).toBe(0);
  expect((await lines()).map((l) => l.machine)).toContain(other.id);
  expect((await lines()).map((l) => l.machine)).not.toContain(line!.machine);
  expect(await put(`/machines/${line!.machine}/merged`, { into: null })).toBe(200);
  await readAll();
  expect(await lines()).toContainEqual(line);
  expect((await lines()).map((l) => l.machine)).not.toContain(other.id);
});

test('how long tests take and how often looks mislead is learned of the calls that were read, and published with the rates', async () => {
  await readAll();
  const { tests } = (await get<Rates>('/rates')).body;
  const minutes = tests.filter((x) => x.of === 'minutes');
  expect(minutes.length).toBeGreaterThan(0);
  for (const { cases, assumed, rate, low, high } of tests) {
    expect(cases).toBeGreaterThan(0);
    expect(assumed).toBeGreaterThan(0);
    expect(rate).toBeGreaterThan(low);
    expect(rate).toBeLessThan(high);
  }
  const { test: name, profile } = minutes[0]!;
  const behind = new URLSearchParams({ test: name, profile }).toString();
  expect((await get<{ cases: SeenCase[] }>(`/patterns/cases?${behind}`)).body.cases.length).toBeGreaterThan(0);
  expect((await get<{ cases: SeenCase[] }>('/patterns/cases?test=nobody')).body.cases).toEqual([]);
  const kept = (await post<Rates>('/rates', { words: 'with its tests' })).body.versions[0]!;
  const { book } = (await get<{ book: RateBook }>(`/rates/${kept.version}`)).body;
  const [family] = minutes.map((x) => x.profile);
  expect(Object.keys(book.families[family!]!.tests!.minutes).length).toBeGreaterThan(0);
});
