import { useRef, type ReactNode } from 'react';

interface FileButtonProps {
  /** What the files are, for a screen reader: "File of a household". */
  readonly label: string;
  /** Endings and media types, as the browser's own chooser takes them. */
  readonly accept: string;
  readonly onChoose: (files: readonly File[]) => void;
  readonly isMultiple?: boolean;
  readonly isDisabled?: boolean;
  readonly className?: string;
  /** What is written on the button. */
  readonly children: ReactNode;
}

/** A button that opens the browser's file chooser; the same file can be chosen twice in a row. */
export function FileButton({
  label,
  accept,
  onChoose,
  isMultiple = false,
  isDisabled = false,
  className = '',
  children,
}: FileButtonProps) {
  const chooser = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={chooser}
        type="file"
        multiple={isMultiple}
        accept={accept}
        className="sr-only"
        tabIndex={-1}
        aria-label={label}
        onChange={({ target }) => {
          const files = [...(target.files ?? [])];
          target.value = '';
          if (files.length > 0) onChoose(files);
        }}
      />
      <button
        type="button"
        className={`btn ${className}`}
        disabled={isDisabled}
        onClick={() => chooser.current?.click()}
      >
        {children}
      </button>
    </>
  );
}
