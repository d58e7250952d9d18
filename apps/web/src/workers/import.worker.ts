import { expose } from 'comlink';
import { importFormula } from '@idle-kettle/core';

/** Reads a long text: some seconds of a page that somebody pasted, so it runs beside this page. */
export type ImportFormula = typeof importFormula;
expose(importFormula);
