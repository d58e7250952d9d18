import { useState, type ReactNode } from 'react';
import { MeasureInput } from '../../ui/measure-input.js';
import { RadioButtons } from '../../ui/radio-buttons.js';
import { VerdictPicture } from './verdict-picture.js';
import { TEST_VERDICTS, TEST_WAYS, type TestVerdict, type TestWay } from '@idle-kettle/core';

const WAY_WORDS: Readonly<Record<TestWay, string>> = {
  plate: 'Cold plate',
  sheet: 'Off the spoon',
  finger: 'Finger line',
};

/** What a tap has opened. */
export function Row({
  title,
  hint,
  children,
}: {
  readonly title: string;
  readonly hint: string;
  readonly children: ReactNode;
}) {
  return (
    <section aria-label={title} className="panel border-secondary! p-4">
      <h2 className="pr-12 text-xl">{title}</h2>
      <p className="mb-3 text-soft">{hint}</p>
      {children}
    </section>
  );
}

/** A test of the set: how, and what was seen. One tap on the verdict logs it. */
export function TestRow({
  onTest,
}: {
  readonly onTest: (way: TestWay, verdict: TestVerdict) => void;
}) {
  const [way, setWay] = useState<TestWay>('plate');
  return (
    <Row
      title="Test for the set"
      hint="Lift the pan off the heat while you test: between nearly and done there can be two minutes."
    >
      <RadioButtons
        name="How it was tested"
        options={TEST_WAYS.map((each) => [each, WAY_WORDS[each]])}
        value={way}
        className="mb-3"
        onChange={setWay}
      />
      <div className="grid grid-cols-3 gap-2 sm:grid-cols-5">
        {TEST_VERDICTS.map((verdict) => (
          <button
            key={verdict}
            type="button"
            className="btn h-auto min-h-16 flex-col gap-1 px-1 py-2 text-[16px] leading-tight sm:text-lg"
            onClick={() => onTest(way, verdict)}
          >
            <VerdictPicture verdict={verdict} />
            {verdict}
          </button>
        ))}
      </div>
    </Row>
  );
}

/** The pot on the scale, or a drop in the refractometer. */
export function MeasureRow({
  finish,
  onWeight,
  onBrix,
}: {
  readonly finish: string;
  readonly onWeight: (mass_kg: number) => void;
  readonly onBrix: (percent: number) => void;
}) {
  return (
    <Row
      title="Weigh it, or a drop in the refractometer"
      hint={`The weight is what is in the pan, less the empty pan: the surest of all. ${finish}`}
    >
      <div className="flex flex-wrap gap-4">
        <MeasureInput
          label="weighs now"
          of="kilograms"
          value={undefined}
          least={0.01}
          most={200}
          className="w-36 text-lg"
          onChange={(kg) => kg !== undefined && onWeight(kg)}
        />
        <MeasureInput
          label="Brix, %, of a cooled drop"
          of="number"
          value={undefined}
          least={0}
          most={95}
          className="w-36 text-lg"
          onChange={(percent) => percent !== undefined && onBrix(percent)}
        />
      </div>
    </Row>
  );
}

/** The flame turned: by how much is worked out from the readings that follow. */
export function FlameRow({ onTurn }: { readonly onTurn: (turned: 'up' | 'down') => void }) {
  return (
    <Row
      title="Heat changed"
      hint="How far is worked out from the readings that follow; take one or two soon."
    >
      <div className="grid grid-cols-2 gap-2 sm:max-w-md">
        {(['down', 'up'] as const).map((turned) => (
          <button
            key={turned}
            type="button"
            className="btn h-16 text-lg"
            onClick={() => onTurn(turned)}
          >
            Heat {turned}
          </button>
        ))}
      </div>
    </Row>
  );
}

interface TextRowProps {
  readonly title: string;
  readonly hint: string;
  readonly placeholder: string;
  readonly onText: (text: string) => void;
}

/** Something in words: what was added, or a note. */
export function TextRow({ title, hint, placeholder, onText }: TextRowProps) {
  const [text, setText] = useState('');
  return (
    <Row title={title} hint={hint}>
      <form
        className="flex gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (text.trim() !== '') onText(text.trim());
        }}
      >
        <input
          aria-label={title}
          className="input min-w-0 flex-1 text-lg"
          placeholder={placeholder}
          value={text}
          maxLength={2000}
          onChange={(event) => setText(event.target.value)}
        />
        <button type="submit" className="btn btn-secondary" disabled={text.trim() === ''}>
          Log
        </button>
      </form>
    </Row>
  );
}
