import { join } from 'node:path';
import { stringsBelow, stringsOf } from './screen-strings.js';

/** Words that are no longer said on the screen, and what is said in their place. */
const RETIRED: readonly {
  readonly words: RegExp;
  readonly say: string;
  /** Files that read what people write, in whatever words. */
  readonly except?: RegExp;
}[] = [
  { words: /\bpots?\b/i, say: 'pan', except: /^(?:reading|formats|adjust\/target|label)\b/ },
  { words: /\bflame turned\b|\byour flame\b|\blower flame\b/i, say: 'heat up, heat down; burner' },
  { words: /\bgel line\b/i, say: 'setting point' },
  { words: /\bway to a set\b/i, say: 'setting method' },
  { words: /\bfinish by\b/i, say: 'stop when' },
  { words: /\bset (?:this one )?aside\b/i, say: 'save snapshot' },
  { words: /\bhow sure is it\b/i, say: 'confidence' },
  { words: /\bwhat goes where\b/i, say: 'where the weight goes' },
  { words: /\bboiled sterile\b/i, say: 'sterilised' },
  { words: /\beaten first\b/i, say: 'use first' },
  { words: /\bno grain is felt\b/i, say: 'fully dissolved' },
  { words: /\bwithout stop\b/i, say: 'constantly' },
  { words: /\bstanding ready\b/i, say: 'equipment' },
  { words: /\bmove this one clear\b/i, say: 'reschedule' },
  { words: /\brings and speaks\b/i, say: 'alerts: sound and voice' },
  { words: /\bwithout a stove\b/i, say: 'simulated boil' },
  { words: /\bspeaks to the network\b/i, say: 'connected' },
  { words: /\ball the same\b.*\bpress|\bpress.*\ball the same\b/i, say: 'check anyway' },
  { words: /\bis told once\b/i, say: 'available after' },
  { words: /\bhow right were\b/i, say: 'forecast accuracy' },
  { words: /\bput the pictures away\b/i, say: 'hide charts' },
  { words: /\bkitchen has taught\b/i, say: 'learned from your boils' },
  { words: /\bbegin anew\b/i, say: 'reset' },
  { words: /\bof the (?:north|south)\b/i, say: 'northern, southern' },
  { words: /\bset the kitchen\b|\bkitchen is set\b/i, say: 'save, saved' },
  { words: /\bcures? the\b/i, say: 'corrects for' },
  { words: /\bwhere is the kettle\b|\bstate the altitude\b/i, say: 'enter your altitude' },
  { words: /\baddress is not whole\b/i, say: 'the link is incomplete' },
  { words: /\blay in\b|\blays a copy\b/i, say: 'add; makes a copy' },
  { words: /\btake back\b/i, say: 'undo' },
  { words: /\bboil was lost\b/i, say: 'boil stopped: restart the timer' },
  { words: /\bat the very limits\b/i, say: 'between' },
  { words: /\b1 is a good set\b/i, say: 'wanted: medium' },
];

const ROOT = join(__dirname, '../../../..');
const FOLDERS = ['apps/web/src', 'apps/server/src', 'packages/core/src', 'packages/contract/src'];

test('what a person reads is told from ids, paths and comments', () => {
  const source = `
    import { a } from './way to a set.js';
    // way to a set
    const id = 'gel-temperature';
    export const A = ({ n }) => <p className="way to a set">Take {n} of it, <b title={\`in \${n} parts\`} /></p>;
  `;
  expect(stringsOf('a.tsx', source).map(({ text }) => text)).toEqual([
    'Take',
    'of it,',
    'in',
    'parts',
  ]);
});

test('no text says what is said in another way now', () => {
  const all = FOLDERS.flatMap((folder) => stringsBelow(join(ROOT, folder)));
  expect(all.length).toBeGreaterThan(2000);
  const wrong = all.flatMap(({ file, line, text }) =>
    RETIRED.filter(({ words, except }) => words.test(text) && !except?.test(file)).map(
      ({ say }) => `${file}:${line}: "${text}"; say: ${say}`,
    ),
  );
  expect(wrong).toEqual([]);
});
