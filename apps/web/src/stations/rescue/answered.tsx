interface AnsweredProps {
  readonly text: string;
  /** What its button says. */
  readonly change: string;
  readonly onChange: () => void;
}

/** A question that was answered, in a line, with a way to answer it anew. */
export const Answered = ({ text, change, onChange }: AnsweredProps) => (
  <p className="flex flex-wrap items-center gap-x-3 border-b border-line">
    <strong className="text-lg">{text}</strong>
    <button type="button" className="btn btn-ghost px-2 underline" onClick={onChange}>
      {change}
    </button>
  </p>
);
