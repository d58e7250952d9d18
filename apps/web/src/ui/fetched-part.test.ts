import { untilFetched } from './fetched-part.js';

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
