import { highMethoxylLimit } from '../pectin/index.js';
import type { PreparedPot } from './prepare.js';

/** What limits a set, or says how it sets. */
export type SetReasonCode =
  | 'few-solids'
  | 'little-acid'
  | 'much-acid'
  | 'little-pectin'
  | 'no-added-pectin'
  | 'no-calcium-pectin'
  | 'little-calcium'
  | 'much-calcium'
  | 'much-sugar'
  | 'by-consistency'
  | 'no-egg'
  | 'no-gel';

/** Why the set is what it is. */
export interface SetReason {
  readonly code: SetReasonCode;
  readonly text: string;
}

/** What limits the set of a pot, the most important first; empty where nothing does. */
export function setReasons({ formula, contents, outcome, rules }: PreparedPot): SetReason[] {
  const reasons: SetReason[] = [];
  const { solids } = outcome;
  switch (rules.model) {
    case 'high-methoxyl': {
      const limit = highMethoxylLimit({
        solidsPercent: solids,
        pH: outcome.pH,
        pectinPercent: outcome.pectinPercent,
      });
      if (limit === 'solids')
        reasons.push({
          code: 'few-solids',
          text: `${solids.toFixed(0)} % sugar and fruit solids: fruit pectin sets from about 60 %`,
        });
      if (limit === 'too-little-acid')
        reasons.push({
          code: 'little-acid',
          text: `pH ${outcome.pH.toFixed(1)}: pectin sets best from 2.8 to 3.4`,
        });
      if (limit === 'too-much-acid')
        reasons.push({
          code: 'much-acid',
          text: `pH ${outcome.pH.toFixed(1)}: so sharp that the gel may weep`,
        });
      if (limit === 'pectin')
        reasons.push({
          code: 'little-pectin',
          text: `${outcome.pectinPercent.toFixed(1)} % pectin is little for the sugar it has to carry`,
        });
      break;
    }
    case 'low-methoxyl': {
      const calcium = contents.freeCalcium_mg / Math.max(contents.lowMethoxyl * 1000, 1e-9);
      if (contents.lowMethoxyl <= 0)
        reasons.push({ code: 'no-calcium-pectin', text: 'no low-methoxyl pectin is in the pot' });
      else if (calcium < 8)
        reasons.push({
          code: 'little-calcium',
          text: `${calcium.toFixed(0)} mg of free calcium a gram of pectin: it wants 10 to 40; add calcium water`,
        });
      else if (calcium > 60)
        reasons.push({
          code: 'much-calcium',
          text: 'more calcium than the pectin wants: the set may turn grainy',
        });
      if (solids > 65)
        reasons.push({
          code: 'much-sugar',
          text: `${solids.toFixed(0)} % solids: calcium pectin dissolves and sets badly in so much sugar`,
        });
      break;
    }
    case 'consistency':
      reasons.push({
        code: 'by-consistency',
        text: 'a butter is done when it mounds on the spoon and no water ring forms on a cold plate',
      });
      break;
    case 'egg':
      if (contents.egg <= 0)
        reasons.push({ code: 'no-egg', text: 'no egg is in the pot: a curd sets by its eggs' });
      break;
    case 'none':
      reasons.push({ code: 'no-gel', text: 'a syrup is meant to pour' });
  }
  const powdered = formula.method === 'powdered-pectin' || formula.method === 'liquid-pectin';
  if (powdered && contents.highMethoxyl + contents.lowMethoxyl <= 0)
    reasons.unshift({
      code: 'no-added-pectin',
      text: 'the method adds pectin, but none is in the pot',
    });
  return reasons;
}
