import { Link } from 'react-router';
import { batchNow } from '@idle-kettle/core';
import type { BatchSummary } from '@idle-kettle/contract';
import { useTheme } from '../../ui/theme.js';
import { useBatch } from '../../batch/batch-context.js';
import { useBatchOnStove } from '../../batch/use-batch-on-stove.js';
import { useBatches } from '../../data/queries.js';
import { fruitStyle } from '../../ui/fruit-colour.js';
import { useFormats } from '../../ui/preferences.js';
import { useNow } from '../../ui/now.js';
import { timeLeft } from '../../batch/time-left.js';
import { useAdvice } from '../../batch/use-advice.js';
import { useForecast } from '../../batch/use-forecast.js';

/**
 * The other pots on the stove, each with its figures and what it wants: a glance, and a tap to
 * change over.
 */
export function OtherBatches({ compact = false }: { readonly compact?: boolean }) {
  const { id } = useBatch();
  const others = (useBatches().data ?? []).filter(
    (batch) => batch.id !== id && (batch.phase === 'on-heat' || batch.phase === 'off-heat'),
  );
  if (others.length === 0) return null;
  return (
    <section
      aria-label="Also on the stove"
      className={compact ? 'flex min-w-0 flex-wrap gap-2' : 'grid gap-2 sm:grid-cols-2'}
    >
      {others.map((batch) => (
        <Other key={batch.id} batch={batch} compact={compact} />
      ))}
    </section>
  );
}

function Other({ batch, compact }: { readonly batch: BatchSummary; readonly compact: boolean }) {
  const theme = useTheme();
  const formats = useFormats();
  const { boil, document, formula } = useBatchOnStove(batch.id);
  const watched = useForecast(boil, document);
  const { next } = useAdvice(boil, formula, watched);
  const now = batchNow(boil, useNow());
  const left = boil.phase === 'on-heat' ? timeLeft(watched, now) : undefined;
  const last = boil.readings.at(-1);
  return (
    <Link
      to={`/batches/${batch.id}/boil`}
      style={fruitStyle(batch.fruit, theme)}
      className={`panel flex overflow-hidden hover:border-secondary ${compact ? 'min-h-11' : 'min-h-16'}`}
    >
      <span aria-hidden="true" className="w-2.5 shrink-0" style={{ background: 'var(--fruit)' }} />
      <span className="flex min-w-0 flex-1 items-center justify-between gap-3 px-4 py-1.5">
        <span className="min-w-0">
          <span className="display block truncate text-lg">{batch.title}</span>
          {!compact && (
            <span className="block truncate text-soft">
              {next?.text ?? (boil.phase === 'off-heat' ? 'off the heat' : '')}
            </span>
          )}
        </span>
        <span className="shrink-0 text-right">
          <span className="block text-xl font-bold whitespace-nowrap">
            {left ?? (last ? formats.degrees(last.temperature_C) : '–')}
          </span>
          {!compact && left !== undefined && last && (
            <span className="text-sm text-soft">{formats.degrees(last.temperature_C)}</span>
          )}
        </span>
      </span>
    </Link>
  );
}
