import { documentOf } from '../testing/formula.js';
import { readFormula, type Reading } from './read.js';

const stop = (temperature: string, altitude_m: number): Reading =>
  readFormula(
    documentOf(
      [
        ['1 kg', 'damson'],
        ['1 kg', 'white-sugar'],
      ],
      { finish: { type: 'gel-temperature', temperature } },
    ),
    { altitude_m },
  );

describe('a finish typed as a temperature is kept as wanted, and held against the setting point here', () => {
  // Water boils at 100.0 C at sea level and near 94 C at 1,800 m (US Standard Atmosphere 1976, IF97).
  test('220 F at the sea is the setting point: nothing to say', () => {
    const { formula, problems } = stop('220 F', 0);
    expect(problems).toEqual([]);
    expect(formula.finish).toMatchObject({ type: 'gel-temperature' });
    expect(formula.finish.type === 'gel-temperature' && formula.finish.rise_K).toBeCloseTo(4.45, 1);
    expect(formula.warnings.map(({ code }) => code)).not.toContain('stop-off-the-point');
  });

  test('102 C at 1,180 m is over it, and said', () => {
    const { formula } = stop('102 C', 1180);
    expect(formula.finish.type === 'gel-temperature' && formula.finish.rise_K).toBeCloseTo(5.9, 0);
    const warning = formula.warnings.find(({ code }) => code === 'stop-off-the-point');
    expect(warning?.text).toMatch(/over the setting point here, 100\.\d °C.*kept as you want it/);
  });

  test('220 F in the high hills is no set any more', () => {
    expect(stop('240 F', 0).problems[0]).toMatchObject({
      path: 'finish.temperature',
      message: expect.stringMatching(/far over boiling water here/),
    });
    expect(stop('90 C', 0).problems[0]?.message).toMatch(/under boiling water here/);
  });
});
