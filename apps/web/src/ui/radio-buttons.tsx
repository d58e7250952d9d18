import { useId } from 'react';

interface RadioButtonsProps<V extends string> {
  /** What is chosen here, for whoever listens. */
  readonly name: string;
  /** Values with their words, in order. */
  readonly options: readonly (readonly [V, string])[];
  /** Undefined while nothing is chosen. */
  readonly value: V | undefined;
  readonly disabled?: boolean;
  readonly className?: string;
  readonly onChange: (value: V) => void;
}

/** One of a few, as a row of buttons; real radio buttons, so that arrow keys go through them. */
export function RadioButtons<V extends string>({
  name,
  options,
  value,
  disabled = false,
  className = '',
  onChange,
}: RadioButtonsProps<V>) {
  const group = useId();
  return (
    <div role="radiogroup" aria-label={name} className={`flex flex-wrap gap-2 ${className}`}>
      {options.map(([each, words]) => (
        <label
          key={each}
          className={`btn relative has-focus-visible:outline-3 has-focus-visible:outline-offset-2 has-focus-visible:outline-secondary ${value === each ? 'btn-secondary' : ''} ${disabled ? 'btn-disabled' : ''}`}
        >
          <input
            type="radio"
            name={group}
            className="absolute inset-0 cursor-pointer opacity-0"
            checked={value === each}
            disabled={disabled}
            onChange={() => onChange(each)}
          />
          {words}
        </label>
      ))}
    </div>
  );
}
