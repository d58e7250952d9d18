/** Colours of the curves, by day and by night. */
export const CHART_INK = {
  day: {
    soft: '#6d5a62',
    line: '#dfd2bc',
    dot: '#a9531f',
    gel: '#33692f',
    curdles: '#a3262f',
    ahead: '#6e2a4f',
    band: '#6e2a4f2e',
  },
  night: {
    soft: '#b9a6ac',
    line: '#4a3a43',
    dot: '#efa467',
    gel: '#8ccb7e',
    curdles: '#ff9b8f',
    ahead: '#e39bc2',
    band: '#e39bc240',
  },
} as const;
export const CHART_FONT = { family: 'Atkinson Hyperlegible Next Variable', size: 13 };
