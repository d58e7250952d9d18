import type { SugarIn } from '../formula/index.js';

/** How steps of a recipe say that the sugar goes in. Common practice. */
const SUGAR_IN_STEPS: readonly { readonly sugarIn: SugarIn; readonly pattern: RegExp }[] = [
  {
    sugarIn: 'warmed',
    pattern:
      /\bwarm(?:ed|ing)?\s+(?:the\s+|all\s+the\s+)?(?:\w+\s+)?sugar\b|\bsugar\b[^.;]{0,60}\b(?:to\s+warm|in\s+(?:a|the)\s+(?:low|warm|cool)\s+oven)\b/i,
  },
  {
    sugarIn: 'by-degrees',
    pattern:
      /\bsugar\b[^.;]{0,60}\b(?:by degrees|gradually|little by little|a (?:cup|third|quarter|handful|part|little|spoonful) at a time|in (?:two|three|four|several|\d) (?:parts|additions|lots|batches|stages))\b|\bgradually\s+(?:add|stir|mix)[^.;]{0,40}\bsugar\b/i,
  },
];

/** How the sugar goes in by the steps of a recipe; undefined where they do not say. */
export const sugarInOf = (steps: string): SugarIn | undefined =>
  SUGAR_IN_STEPS.find(({ pattern }) => pattern.test(steps))?.sugarIn;
