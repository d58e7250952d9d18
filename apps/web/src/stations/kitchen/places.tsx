import { MapPin, Plus, Trash2 } from 'lucide-react';
import { toast } from 'sonner';
import type { KitchenView } from '@idle-kettle/contract';
import { ApiProblem, request } from '../../data/api.js';
import { settingsOf } from '../../data/kitchens.js';
import { keys, queryClient } from '../../data/queries.js';
import { useFormats } from '../../ui/preferences.js';
import { newId } from '../../data/ids.js';

/** The places the household cooks at; everything is computed for the one in use. */
export function Places({ kitchens }: { readonly kitchens: readonly KitchenView[] }) {
  const formats = useFormats();
  const [current] = kitchens;
  const ask = async (act: () => Promise<unknown>): Promise<void> => {
    try {
      await act();
      await queryClient.invalidateQueries({ queryKey: keys.kitchens });
    } catch (error) {
      toast.error(
        error instanceof ApiProblem
          ? error.message
          : 'Nothing was changed: the server does not answer',
      );
    }
  };
  const add = (): Promise<void> =>
    ask(async () => {
      if (!current) return;
      // Another place has its own height and weather, and at first the same things on its shelves.
      const settings = {
        ...settingsOf(current),
        name: 'New place',
        altitude_m: null,
        boilingPoint_C: null,
        boilingPointMeasuredAt: null,
        pressure_kPa: null,
        pressureReadAt: null,
      };
      await request('PUT', `/kitchens/${newId()}`, settings);
    });
  return (
    <div role="group" aria-label="Places" className="mb-4 flex flex-wrap items-center gap-2">
      {kitchens.length > 1 &&
        kitchens
          .toSorted((a, b) => a.name.localeCompare(b.name))
          .map((kitchen) => (
            <button
              key={kitchen.id}
              type="button"
              className={`btn ${kitchen.id === current?.id ? 'btn-neutral' : ''}`}
              aria-pressed={kitchen.id === current?.id}
              onClick={() => void ask(() => request('POST', `/kitchens/${kitchen.id}/use`))}
            >
              <MapPin aria-hidden="true" className="size-5" /> {kitchen.name}
              {kitchen.altitude_m !== null && (
                <span className="font-normal">{formats.altitude(kitchen.altitude_m)}</span>
              )}
            </button>
          ))}
      <button type="button" className="btn btn-ghost" onClick={() => void add()}>
        <Plus aria-hidden="true" className="size-5" /> Another place
      </button>
      {kitchens.length > 1 && current && (
        <button
          type="button"
          className="btn btn-ghost ml-auto"
          onClick={() =>
            void ask(async () => {
              await request('DELETE', `/kitchens/${current.id}`);
              toast(`${current.name} deleted`, {
                action: {
                  label: 'Undo',
                  onClick: () =>
                    void ask(() => request('PUT', `/kitchens/${current.id}`, settingsOf(current))),
                },
                duration: 10_000,
              });
            })
          }
        >
          <Trash2 aria-hidden="true" className="size-5" /> Delete {current.name}
        </button>
      )}
    </div>
  );
}
