import type { BatchSummary } from '@idle-kettle/contract';
import { batchNow, kitchenFraction } from '@idle-kettle/core';
import { leftWords, useClocks } from '../../batch/clock-bar.js';
import { useAdvice } from '../../batch/use-advice.js';
import { timeLeft } from '../../batch/time-left.js';
import { clockOfCanner, type ProcessClockKind } from '../../batch/running-clocks.js';
import { useBatchOnStove } from '../../batch/use-batch-on-stove.js';
import { useForecast } from '../../batch/use-forecast.js';
import { fruitStyle } from '../../ui/fruit-colour.js';
import { clock, useNow } from '../../ui/now.js';
import { useFormats } from '../../ui/preferences.js';
import { CannerPicture, PanPicture } from '../../ui/stove-pictures.js';
import { useTheme } from '../../ui/theme.js';
import { Figures, Slot } from './stove-slot.js';

/** What is on the stove, drawn: fetched only where something is. */
export default function OnStove({
  cooking,
  inCanner,
}: {
  readonly cooking: readonly BatchSummary[];
  readonly inCanner: readonly BatchSummary[];
}) {
  return (
    <>
      {cooking.map((batch) => (
        <OnBurner key={batch.id} batch={batch} />
      ))}
      {inCanner.map((batch) => (
        <InCanner key={batch.id} batch={batch} />
      ))}
    </>
  );
}

function OnBurner({ batch }: { readonly batch: BatchSummary }) {
  const theme = useTheme();
  const formats = useFormats();
  const { boil, document, formula } = useBatchOnStove(batch.id);
  const watched = useForecast(boil, document);
  const now = batchNow(boil, useNow());
  const isOn = boil.phase === 'on-heat';
  const minute_ms = isOn && boil.minute ? boil.minute.endsAt - now : 0;
  const left = isOn ? timeLeft(watched, now) : 'off the heat';
  const since = boil.startedAt === undefined ? '' : clock(now - boil.startedAt);
  const { next } = useAdvice(boil, formula, watched);
  const last = boil.readings.at(-1);
  return (
    <Slot
      style={fruitStyle(batch.fruit, theme)}
      picture={<PanPicture fill={0.42} isOn={isOn} />}
      next={
        next && (
          <>
            <strong>Next:</strong> {next.text}
          </>
        )
      }
    >
      <Figures
        to={`/batches/${batch.id}/boil`}
        title={batch.title}
        large={minute_ms > 0 ? clock(minute_ms + 999) : (left ?? since)}
      >
        {last && `${formats.degrees(last.temperature_C)}, `}
        {batch.gelTemperature_C !== null && (
          <>
            stop at <strong>{formats.temperature(batch.gelTemperature_C)}</strong>
          </>
        )}
      </Figures>
    </Slot>
  );
}

/** What follows on the clock that runs. */
const NEXT_OF_PROCESS: Readonly<Record<ProcessClockKind, string>> = {
  processing: 'heat off, lid off away from your face, 5 min rest',
  rest: 'lift the jars straight up, stand them apart',
  lift: 'lift the jars straight up, stand them apart',
};

function InCanner({ batch }: { readonly batch: BatchSummary }) {
  const theme = useTheme();
  const now = useNow();
  const { boil } = useBatchOnStove(batch.id);
  // Only the clock knows the table's minutes for today, so it alone says when the jars may be lifted.
  const counted = clockOfCanner(useClocks(), batch.id);
  const jars =
    boil.process.begun?.jars ?? boil.jarred.map(({ size, full }) => ({ size, count: full }));
  const count = jars.reduce((sum, each) => sum + each.count, 0);
  if (!counted) return null;
  return (
    <Slot
      style={fruitStyle(batch.fruit, theme)}
      picture={<CannerPicture jars={count} isOn={counted.kind === 'processing'} />}
      next={
        <>
          <strong>Next:</strong> {NEXT_OF_PROCESS[counted.kind]}
        </>
      }
    >
      <Figures to={`/batches/${batch.id}/jar`} title={batch.title} large={leftWords(counted, now)}>
        {counted.words}, {kitchenFraction(count)} {count === 1 ? 'jar' : 'jars'}
      </Figures>
    </Slot>
  );
}
