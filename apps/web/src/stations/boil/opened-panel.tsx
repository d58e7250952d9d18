import type { ReactNode } from 'react';
import { CloseButton } from '../../ui/close-button.js';
import { useOpenedFocus } from '../../ui/use-opened-focus.js';

/** What a tap on one of the actions opened: in view, the focus in it, closed by its cross or Escape. */
export function OpenedPanel({
  onClose,
  children,
}: {
  readonly onClose: () => void;
  readonly children: ReactNode;
}) {
  const panel = useOpenedFocus<HTMLDivElement>();
  return (
    <div ref={panel} tabIndex={-1} className="relative scroll-my-20 outline-none">
      {children}
      <CloseButton onClose={onClose} />
    </div>
  );
}
