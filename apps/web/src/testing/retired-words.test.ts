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
  { words: /\bput away\b|\bputs? .* away\b/i, say: 'archive; on the shelf' },
  {
    words: /\btaken? out\b|\btakes? .* out\b/i,
    say: 'delete; export',
    except: /^(?:balance|boil|formats|keeping)\//,
  },
  {
    words: /\bbring (?:it back$|(?:it|one|them) in|in an?|a (?:file|log) in|the batch back)/i,
    say: 'undo; import',
  },
  { words: /\bforetold\b/i, say: 'forecast' },
  { words: /\btaken back\b/i, say: 'undone' },
  {
    words: /\bis kept as\b|\bkept (?:here|on this device)\b|\bnot kept\b|\bkeep as\b/i,
    say: 'save',
  },
  { words: /\bto the stove\b/i, say: 'start cooking' },
  { words: /\bpairs? of hands\b|\bmore hands\b/i, say: 'people' },
  { words: /\bflats\b/i, say: 'lids' },
  { words: /\bput off\b/i, say: 'pause' },
  { words: /\bbegun anew\b/i, say: 'reset' },
  { words: /\bset apart\b/i, say: 'not counted' },
  { words: /^gel temperature$/i, say: 'setting point' },
  { words: /\bi wish\b|\bwished\b/i, say: 'start at; planned' },
  { words: /\bgoes in preparing\b/i, say: 'is lost in preparation' },
  { words: /\bon the bench\b|\boff the bench\b/i, say: 'planned; deleted' },
  { words: /\blaid on the bench\b|\blay out a batch\b/i, say: 'start a batch' },
  { words: /\bhard minute\b/i, say: '1-minute boil' },
  { words: /\bboiled over\b|\bnothing on this burner\b/i, say: 'what happened' },
  { words: /\bnew flat\b/i, say: 'new lid' },
  { words: /\bat its worst\b/i, say: 'highest likely pH' },
  { words: /\bfinish near\b/i, say: 'stop at' },
  { words: /\btake it back\b/i, say: 'undo' },
  { words: /\bcame and went\b/i, say: 'latest changes' },
  { words: /\bthrow(?:n)? (?:it |them )?out\b/i, say: 'throw away' },
  { words: /\bmending\b/i, say: 'correcting' },
  { words: /\btaken in\b/i, say: 'imported' },
  { words: /\bto be begun\b/i, say: 'start' },
  { words: /\bname of hand\b|^hand$/i, say: 'helper' },
  { words: /\b(?:the|a|no|its|shelf) verdict\b/i, say: 'storage' },
];

/** What only the code knows: a unit in a name, and ids of kinds, methods and places. */
const LEAKS =
  /\b\w+_(?:C|K|kg|g|l|ml|mm|m|s|ms|kPa)\b|\b(?:long-boil|powdered-pectin|liquid-pectin|calcium-pectin|jam-sugar|no-gel|fruit-butter|savoury-jelly|jellied-sauce|gel-temperature|soluble-solids|hard-boil)\b/;

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

/** Words that recipes are written in are read, never shown. */
const isRead = (file: string): boolean => file.includes('reading/english/');

test('no text says what is said in another way now', () => {
  const all = FOLDERS.flatMap((folder) => stringsBelow(join(ROOT, folder))).filter(
    ({ file }) => !isRead(file),
  );
  expect(all.length).toBeGreaterThan(2000);
  const wrong = all.flatMap(({ file, line, text }) =>
    RETIRED.filter(({ words, except }) => words.test(text) && !except?.test(file)).map(
      ({ say }) => `${file}:${line}: "${text}"; say: ${say}`,
    ),
  );
  expect(wrong).toEqual([]);
});

test('no sentence on the screen leaks the name of a unit or an id', () => {
  const wrong = stringsBelow(join(ROOT, 'apps/web/src'))
    .filter(({ text }) => /[a-z] [a-z]/.test(text) && LEAKS.test(text))
    // Names of styles are no sentences.
    .filter(({ text }) => !/\[&|:has|\bflex\b|\bgrid\b/.test(text))
    .map(({ file, line, text }) => `${file}:${line}: "${text}"`);
  expect(wrong).toEqual([]);
});
