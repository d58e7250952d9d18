import { emptyFormula, type FormulaDocument, type FormulaLine } from '../formula/index.js';
import type { Form } from '../produce/index.js';
import { SCENARIO_FORMAT, type PracticeScenario } from './scenario.js';

type Line = readonly [amount: string, ingredient: string, form?: Form];
const linesOf = (lines: readonly Line[]): FormulaLine[] =>
  lines.map(([amount, ingredient, form]) => ({ ingredient, amount, ...(form && { form }) }));

const formula = (
  title: string,
  jar: string,
  lines: readonly Line[],
  change: Partial<FormulaDocument> = {},
): FormulaDocument => ({ ...emptyFormula(title, jar), lines: linesOf(lines), ...change });

const scenario = (rest: Omit<PracticeScenario, 'format' | 'version'>): PracticeScenario => ({
  format: SCENARIO_FORMAT,
  version: 1,
  ...rest,
});

const boiled = (minutes: number): FormulaDocument['finish'] => ({ type: 'hard-boil', minutes });
/** An ordinary preserving pan. */
const PAN = { volume_l: 9, diameter_m: 0.28 } as const;

/**
 * Pans to practise with, of our own invention, from gentle to cruel. What a card says of the time is
 * what it took in another kitchen. A test cooks each of them well and badly.
 */
export const SCENARIOS: readonly PracticeScenario[] = [
  scenario({
    id: 'first-jam',
    title: 'First jam',
    level: 'gentle',
    story:
      'Damsons from the hedge, a good pan, an honest burner. Soften the fruit, dissolve the sugar, boil it to its setting point, and let it rest before you fill.',
    learn:
      'Foam falls and bubbles grow slow and glossy as water leaves. The setting point is a temperature over boiling water, and a cold plate agrees with it.',
    formula: formula('Damson jam, a small pan', '340-g', [
      ['1.2 kg', 'damson'],
      ['200 ml', 'water'],
      ['1.1 kg', 'white-sugar'],
      ['1 tbsp', 'lemon-juice-bottled'],
    ]),
    altitude_m: 310,
    pan: PAN,
    burner_W: 1900,
    cardMinutes: 21,
  }),
  scenario({
    id: 'marmalade',
    title: 'Bitter oranges in January',
    level: 'gentle',
    story:
      'The peel soaked overnight and is soft. The sugar goes in, and then it boils hard. Marmalade goes past its setting point quickly once it is near.',
    learn:
      'The last degrees come fast. Thick peel floats unless the pan rests before it is filled.',
    formula: formula(
      'Bitter orange marmalade, half a batch',
      '340-g',
      [
        ['700 g', 'bitter-orange'],
        ['900 ml', 'water'],
        ['1.2 kg', 'white-sugar'],
        ['1', 'lemon'],
      ],
      { kind: 'marmalade' },
    ),
    altitude_m: 120,
    pan: PAN,
    burner_W: 2100,
    cardMinutes: 27,
  }),
  scenario({
    id: 'high-village',
    title: 'High village',
    level: 'fair',
    story:
      'You cook at 2,350 m, from a card that was written by the sea: "boil to 104.5 °C". Up here that is toffee.',
    learn:
      'Water boils about 8 °C lower here, and the setting point is lower by as much. What counts is the rise over boiling water.',
    formula: formula('Redcurrant jam, high up', '250-ml', [
      ['1.3 kg', 'redcurrant'],
      ['100 ml', 'water'],
      ['1.2 kg', 'white-sugar'],
    ]),
    altitude_m: 2350,
    pan: PAN,
    burner_W: 1800,
    cardMinutes: 30,
  }),
  scenario({
    id: 'over-ripe',
    title: 'Over-ripe plums',
    level: 'hard',
    story:
      'The plums fell days ago: sweet, soft, and short of pectin and acid. There are lemon juice and a box of pectin in the cupboard. Boiling longer does not bring back what the fruit has lost.',
    learn:
      'Ripe fruit has less pectin and less acid. Put back what is missing, pectin before the sugar; boiling on only makes it dark and sticky.',
    formula: formula('Plum jam, late in the season', '340-g', [
      ['1.5 kg', 'plum'],
      ['150 ml', 'water'],
      ['1.3 kg', 'white-sugar'],
    ]),
    altitude_m: 450,
    pan: PAN,
    burner_W: 1900,
    cardMinutes: 32,
    within: linesOf([
      ['60 ml', 'lemon-juice-bottled'],
      ['1 box', 'pectin-powder'],
      ['500 ml', 'water'],
    ]),
    fruit: { pectin: 0.42, acid: 0.7 },
  }),
  scenario({
    id: 'weak-burner',
    title: 'Wide pan, weak burner',
    level: 'fair',
    story:
      'A holiday kitchen: a wide pan on a burner that hardly brings it to the boil. The card says 28 minutes.',
    learn:
      'The card’s minutes are its own burner’s. The setting point is the same on any burner; only the clock differs.',
    formula: formula('Blackcurrant jam, holiday kitchen', '250-ml', [
      ['900 g', 'blackcurrant'],
      ['550 ml', 'water'],
      ['1.1 kg', 'white-sugar'],
    ]),
    altitude_m: 640,
    pan: { volume_l: 10, diameter_m: 0.31 },
    burner_W: 1600,
    cardMinutes: 28,
  }),
  scenario({
    id: 'small-pan',
    title: 'The pan is too small',
    level: 'hard',
    story:
      'The big pan is lent out. Gooseberries and sugar fill this one well over a third, and the burner is strong. Foam rises three times as high as the fruit stands.',
    learn:
      'Turn the heat down before the foam reaches the rim, not after. A small knob of butter, under half a teaspoon, breaks the foam. What runs over is lost, and burns.',
    formula: formula('Gooseberry jam in a small pan', '340-g', [
      ['1.2 kg', 'gooseberry'],
      ['250 ml', 'water'],
      ['1.3 kg', 'white-sugar'],
    ]),
    altitude_m: 90,
    pan: { volume_l: 3.8, diameter_m: 0.24 },
    burner_W: 2700,
    cardMinutes: 31,
    within: linesOf([['1/4 tsp', 'butter']]),
  }),
  scenario({
    id: 'lying-thermometer',
    title: 'A thermometer that lies',
    level: 'hard',
    story:
      'It fell behind the stove last year, and nobody has checked it since. A pan of water is boiling on the next burner.',
    learn:
      'Hold a thermometer in boiling water before you trust it. Half a degree is more than two per cent of concentration.',
    formula: formula(
      'Quince and pear conserve with ginger',
      '250-ml',
      [
        ['600 g', 'quince', 'chopped'],
        ['500 g', 'pear', 'chopped'],
        ['700 ml', 'water'],
        ['900 g', 'white-sugar'],
        ['1 tbsp', 'lemon-juice-bottled'],
        ['20 g', 'ginger'],
      ],
      { kind: 'conserve' },
    ),
    altitude_m: 820,
    pan: PAN,
    burner_W: 1900,
    cardMinutes: 32,
    thermometerError_K: 2.2,
  }),
  scenario({
    id: 'pectin-order',
    title: 'Which goes in first?',
    level: 'fair',
    story:
      'A jam with powdered pectin. Pectin and sugar both stand ready; the card is stained just where the order was written.',
    learn:
      'Powdered pectin goes into the fruit before the sugar: sugar takes the water it needs. Then one hard minute at a full rolling boil, not more and not less.',
    formula: formula(
      'Sour cherry jam, powdered pectin',
      '250-ml',
      [
        ['1.1 kg', 'sour-cherry', 'crushed'],
        ['45 ml', 'lemon-juice-bottled'],
        ['1 box', 'pectin-powder'],
        ['1.25 kg', 'white-sugar'],
      ],
      { method: 'powdered-pectin', finish: boiled(1) },
    ),
    altitude_m: 310,
    pan: PAN,
    burner_W: 2200,
    cardMinutes: 10,
  }),
  scenario({
    id: 'half-sugar',
    title: 'Half the sugar, which pectin?',
    level: 'hard',
    story:
      'Apricots with a third of the usual sugar. In the cupboard stand ordinary powdered pectin, and calcium pectin with its calcium water.',
    learn:
      'Ordinary pectin sets only with much sugar. Calcium pectin sets with little, given its calcium: the calcium water into the fruit, the pectin with the sugar at the boil.',
    formula: formula(
      'Light apricot jam',
      '250-ml',
      [
        ['1 kg', 'apricot'],
        ['400 g', 'tart-apple', 'chopped'],
        ['100 ml', 'lemon-juice-bottled'],
        ['330 g', 'white-sugar'],
      ],
      { method: 'calcium-pectin', finish: boiled(2) },
    ),
    altitude_m: 520,
    pan: PAN,
    burner_W: 1900,
    cardMinutes: 11,
    within: linesOf([
      ['1 box', 'pectin-powder'],
      ['4 tsp', 'calcium-water'],
      ['4 tsp', 'pectin-calcium'],
    ]),
  }),
  scenario({
    id: 'power-cut',
    title: 'The power goes out',
    level: 'cruel',
    story:
      'A storm is about. If the stove goes dark, the pan cools, and the card’s minutes mean nothing any more.',
    learn:
      'A pan that has stopped has not gone back: bring it to the boil again and go on from its temperature. Stir it as it warms, since it catches when it stands.',
    formula: formula(
      'Redcurrant jelly in a storm',
      '190-ml',
      [
        ['1.2 l', 'redcurrant', 'juice'],
        ['1 kg', 'white-sugar'],
      ],
      { kind: 'jelly' },
    ),
    altitude_m: 200,
    pan: PAN,
    burner_W: 1700,
    cardMinutes: 28,
    happenings: [{ type: 'power-cut', belowFinish_K: 1.6, minutes: 14 }],
  }),
  scenario({
    id: 'double-batch',
    title: 'A double batch',
    level: 'hard',
    story:
      'Twice the damsons, the same burner, and the card of a single batch. It takes much longer than the card says, and a long boil costs pectin.',
    learn:
      'Twice the fruit has twice the water to lose over the same burner. Two batches one after the other set better than one large one.',
    formula: formula('Damson jam, a double batch', '454-g', [
      ['2.6 kg', 'damson'],
      ['400 ml', 'water'],
      ['2.4 kg', 'white-sugar'],
      ['2 tbsp', 'lemon-juice-bottled'],
    ]),
    altitude_m: 310,
    pan: { volume_l: 17, diameter_m: 0.32 },
    burner_W: 2000,
    cardMinutes: 28,
  }),
  scenario({
    id: 'curd',
    title: 'Curd, just short of curdled',
    level: 'hard',
    story:
      'Passion-fruit curd in a bowl over simmering water. Under 77 °C the egg is not safe and does not thicken; a few degrees more and it curdles. The base of the bowl is hotter than its middle.',
    learn:
      'Whisk constantly and turn the heat down before it is there: the last degrees come by themselves. This curd is for the fridge or the freezer.',
    formula: formula(
      'Passion fruit curd',
      '125-ml',
      [
        ['180 g', 'passion-fruit', 'puree'],
        ['60 ml', 'lemon-juice-bottled'],
        ['230 g', 'caster-sugar'],
        ['3', 'egg'],
        ['3', 'egg-yolk'],
        ['120 g', 'butter'],
      ],
      { kind: 'curd', method: 'egg', finish: { type: 'curd' } },
    ),
    altitude_m: 700,
    pan: { volume_l: 2.5, diameter_m: 0.18 },
    burner_W: 1000,
    cardMinutes: 8,
  }),
  scenario({
    id: 'overnight',
    title: 'Slow cooker overnight',
    level: 'fair',
    story:
      'Pear butter in the slow cooker, on at nine in the evening. You can leave it alone for hours; when will you look again? The card says ten hours.',
    learn:
      'A slow cooker loses little water: by its lid, its heat and how full it is, hours apart. Weigh it, or measure its depth, and the forecast tells when to set the alarm.',
    formula: formula(
      'Pear butter overnight',
      '250-ml',
      [
        ['1.9 kg', 'pear', 'puree'],
        ['60 ml', 'lemon-juice-bottled'],
        ['150 g', 'white-sugar'],
        ['1/2 tsp', 'ground-spice'],
      ],
      {
        kind: 'fruit-butter',
        method: 'no-gel',
        finish: { type: 'consistency' },
        stages: [{ where: 'slow-cooker', lid: 'off', heat: 'high', until: 'done' }],
      },
    ),
    altitude_m: 480,
    pan: { volume_l: 4, diameter_m: 0.25 },
    burner_W: 240,
    cardMinutes: 600,
  }),
  scenario({
    id: 'canner',
    title: 'The canner stops boiling',
    level: 'fair',
    story:
      'Sour cherries and jam sugar: four minutes at the boil, and it sets. The jars are the point here. A draught is about, and the canner is not to be left alone.',
    learn:
      'The time of a canner counts from its full boil, without a break. Where the boil stops, turn it up, and start the timer from zero.',
    formula: formula(
      'Sour cherry jam, jam sugar',
      '340-g',
      [
        ['1 kg', 'sour-cherry', 'crushed'],
        ['2 tbsp', 'lemon-juice-bottled'],
        ['1.1 kg', 'jam-sugar'],
      ],
      { method: 'jam-sugar', finish: boiled(4) },
    ),
    altitude_m: 1250,
    pan: PAN,
    burner_W: 1900,
    cardMinutes: 12,
    happenings: [{ type: 'canner-stops', afterShare: 0.55 }],
  }),
  scenario({
    id: 'helper',
    title: 'A helper with a bag of chips',
    level: 'cruel',
    story:
      'A child helps you today, and there is a bag of chocolate baking chips on the table. Keep an eye on the pan, and think before you choose where the jars go.',
    learn:
      'Chocolate, dairy and fat change what is in the jar: it is no longer an acid fruit spread, and no time in a canner makes it keep. Refrigerate or freeze it.',
    formula: formula('Blackcurrant jam with company', '250-ml', [
      ['1 kg', 'blackcurrant'],
      ['500 ml', 'water'],
      ['1.2 kg', 'white-sugar'],
    ]),
    altitude_m: 310,
    pan: PAN,
    burner_W: 2000,
    cardMinutes: 30,
    happenings: [
      { type: 'helper-adds', afterMinutes: 14, amount: '150 g', ingredient: 'baking-chips' },
    ],
  }),
];
