import type { OutcomeRow } from '@idle-kettle/core';
import { RangeTrack } from '../ui/range-bar.js';

/** What was forecast and what came, a row each; drawn where both are known. */
export function OutcomeTable({ rows }: { readonly rows: readonly OutcomeRow[] }) {
  return (
    <table className="w-full text-left">
      <thead className="text-sm text-soft">
        <tr>
          <td />
          <th scope="col" className="py-1 font-normal">
            forecast
          </th>
          <th scope="col" className="py-1 font-normal">
            actual
          </th>
        </tr>
      </thead>
      <tbody>
        {rows.map(({ name, planned = '—', happened = '—', isOff, forecast }) => (
          <tr key={name} className="border-t border-line">
            <th scope="row" className="py-2 pr-2 font-normal text-soft">
              {name}
            </th>
            <td className="py-2 pr-4">
              {planned}
              {forecast && (
                <RangeTrack
                  range={forecast.planned}
                  scale={[0, 1.25 * Math.max(forecast.planned.high, forecast.actual)]}
                  tone={isOff ? 'watch' : 'plain'}
                  tick={forecast.actual}
                />
              )}
            </td>
            <td className={`py-2 font-bold ${isOff ? 'text-watch' : ''}`}>
              {happened}
              {isOff && <span className="block text-sm font-normal">not as forecast</span>}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
