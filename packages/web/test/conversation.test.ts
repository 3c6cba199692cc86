import { Conversation } from '../src/engine/conversation';

/** An answer that comes when the test says so. */
function later<T>(): { promise: Promise<T>; give: (value: T) => void; fail: (error: Error) => void } {
  let give!: (value: T) => void;
  let fail!: (error: Error) => void;
  const promise = new Promise<T>((resolve, reject) => {
    give = resolve;
    fail = reject;
  });
  return { promise, give, fail };
}

describe('a conversation with the engine', () => {
  test('an answer that comes after a newer question was asked is not heard', async () => {
    const conversation = new Conversation();
    const [old, fresh] = [later<string>(), later<string>()];
    const heard: string[] = [];
    const first = conversation.ask(async (hear) => void heard.push(await hear(old.promise)));
    const second = conversation.ask(async (hear) => void heard.push(await hear(fresh.promise)));
    fresh.give('fresh');
    expect(await second).toBe(true);
    old.give('old');
    expect(await first).toBe(false);
    expect(heard).toEqual(['fresh']);
  });

  test('of a question in parts, the parts before it was overtaken are heard and the rest is not even asked', async () => {
    const conversation = new Conversation();
    const [view, rest] = [later<string>(), jest.fn(() => Promise.resolve('tests'))];
    const slow = later<string>();
    const heard: string[] = [];
    const first = conversation.ask(async (hear) => {
      heard.push(await hear(view.promise));
      heard.push(await hear(slow.promise));
      heard.push(await hear(rest()));
    });
    view.give('view');
    await new Promise((resolve) => setImmediate(resolve));
    const second = conversation.ask(async (hear) => void heard.push(await hear(Promise.resolve('newer'))));
    slow.give('too late');
    expect([await first, await second]).toEqual([false, true]);
    expect(heard).toEqual(['view', 'newer']);
    expect(rest).not.toHaveBeenCalled();
  });

  test('the error of an overtaken question is dropped; that of the newest is thrown', async () => {
    const conversation = new Conversation();
    const [old, fresh] = [later<string>(), later<string>()];
    const first = conversation.ask(async (hear) => void (await hear(old.promise)));
    const second = conversation.ask(async (hear) => void (await hear(fresh.promise)));
    old.fail(new Error('of the old log'));
    expect(await first).toBe(false);
    fresh.fail(new Error('no such profile'));
    await expect(second).rejects.toThrow('no such profile');
  });

  test('when nobody listens any more nothing is heard', async () => {
    const conversation = new Conversation();
    const answer = later<string>();
    const heard: string[] = [];
    const asked = conversation.ask(async (hear) => void heard.push(await hear(answer.promise)));
    conversation.end();
    answer.give('view');
    expect(await asked).toBe(false);
    expect(heard).toEqual([]);
    // The next question is one as any other.
    expect(await conversation.ask(async (hear) => void heard.push(await hear(Promise.resolve('again'))))).toBe(true);
    expect(heard).toEqual(['again']);
  });
});
