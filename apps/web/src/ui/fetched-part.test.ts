import { fetchedScreen, untilFetched } from './fetched-part.js';

test('a part that does not arrive is asked for again until it does', async () => {
  jest.useFakeTimers();
  const fetchIt = jest
    .fn<Promise<string>, []>()
    .mockRejectedValueOnce(new TypeError('Failed to fetch'))
    .mockRejectedValueOnce(new TypeError('Failed to fetch'))
    .mockResolvedValue('there');
  const part = untilFetched(fetchIt);
  await jest.advanceTimersByTimeAsync(2900);
  expect(fetchIt).toHaveBeenCalledTimes(1);
  await jest.advanceTimersByTimeAsync(3200);
  await expect(part).resolves.toBe('there');
  expect(fetchIt).toHaveBeenCalledTimes(3);
  jest.useRealTimers();
});

describe('a screen', () => {
  beforeEach(() => jest.useFakeTimers());
  afterEach(() => jest.useRealTimers());

  /** Asked for a screen that fails so many times first. */
  async function asked(failures: number): Promise<{ got: Promise<unknown>; times: () => number }> {
    let times = 0;
    const got = fetchedScreen(() => {
      times += 1;
      return times > failures ? Promise.resolve('screen') : Promise.reject(new TypeError('away'));
    });
    got.catch(() => undefined);
    await jest.advanceTimersByTimeAsync(10_000);
    return { got, times: () => times };
  }

  test('is asked for again where the network is away for a moment', async () => {
    const { got, times } = await asked(3);
    expect(await got).toBe('screen');
    expect(times()).toBe(4);
  });

  test('that is not there fails, so that the page can be loaded anew', async () => {
    const { got, times } = await asked(Infinity);
    await expect(got).rejects.toThrow('away');
    expect(times()).toBe(5);
  });
});
