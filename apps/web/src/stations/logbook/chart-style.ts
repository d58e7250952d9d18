/** Colours of the logbook's charts; those of the themes, which a canvas cannot ask the page for. */
export const INK = {
  day: {
    soft: '#6d5a62',
    line: '#dfd2bc',
    planned: '#a9531f4d',
    within: '#33692f',
    outside: '#8a5a00',
    meant: '#2b1b26',
    ground: '#fffcf6',
  },
  night: {
    soft: '#b9a6ac',
    line: '#4a3a43',
    planned: '#efa46759',
    within: '#8ccb7e',
    outside: '#edbb4f',
    meant: '#f6ece0',
    ground: '#241b21',
  },
} as const;
