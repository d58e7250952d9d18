import { X } from 'lucide-react';

/** The cross in the corner of what was opened. */
export const CloseButton = ({ onClose }: { readonly onClose: () => void }) => (
  <button
    type="button"
    data-close
    className="btn btn-ghost btn-square absolute top-2 right-2"
    aria-label="Close"
    onClick={onClose}
  >
    <X aria-hidden="true" className="size-5" />
  </button>
);
