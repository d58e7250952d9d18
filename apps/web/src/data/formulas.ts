import { toast } from 'sonner';
import type { FormulaBody, FormulaView, MarkFormula } from '@idle-kettle/contract';
import { ApiProblem, request } from './api.js';
import { keys, queryClient } from './queries.js';

const fresh = (id: string): Promise<unknown> =>
  Promise.all([
    queryClient.invalidateQueries({ queryKey: keys.formulas }),
    queryClient.invalidateQueries({ queryKey: keys.versions(id) }),
  ]);

/** Does something with kept formulas and says what went wrong. @returns undefined when it did */
async function attempt<T>(act: () => Promise<T>, otherwise: string): Promise<T | undefined> {
  try {
    return await act();
  } catch (error) {
    if (error instanceof ApiProblem)
      toast.error(error.message, {
        description: error.problem.errors
          ?.map((each) => `${each.path}: ${each.message}`)
          .join('; '),
      });
    else toast.error('The server does not answer', { description: otherwise });
    return undefined;
  }
}

/**
 * Keeps a formula, or its next version.
 * @param revision the version it is based on, 0 for a new formula
 */
export const keepFormula = (
  id: string,
  document: FormulaBody,
  revision: number,
): Promise<FormulaView | undefined> =>
  attempt(async () => {
    const saved = await request<FormulaView>('PUT', `/formulas/${id}`, { document, revision });
    await fresh(id);
    return saved;
  }, 'It is not saved yet; try again when the server is back. What you have here stays.');

export const markFormula = (id: string, mark: MarkFormula): Promise<FormulaView | undefined> =>
  attempt(async () => {
    const saved = await request<FormulaView>('PATCH', `/formulas/${id}`, mark);
    await fresh(id);
    return saved;
  }, 'Nothing was changed.');

/** Puts a formula away, with a way back. */
export async function putAway({ id, document }: FormulaView): Promise<void> {
  if (!(await markFormula(id, { archived: true }))) return;
  toast(`“${document.title}” is archived`, {
    action: { label: 'Undo', onClick: () => void markFormula(id, { archived: false }) },
    duration: 10_000,
  });
}

export const layInStarters = (): Promise<FormulaView[] | undefined> =>
  attempt(async () => {
    const all = await request<FormulaView[]>('POST', '/formulas/starters');
    await queryClient.invalidateQueries({ queryKey: keys.formulas });
    return all;
  }, 'Nothing was changed.');
