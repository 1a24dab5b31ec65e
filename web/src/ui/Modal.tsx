import { Dialog, DialogBackdrop, DialogPanel, DialogTitle } from '@headlessui/react';
import { X } from 'lucide-react';
import type { ReactNode } from 'react';

interface Props {
  open: boolean;
  title: string;
  onClose: () => void;
  wide?: boolean;
  children: ReactNode;
}

export function Modal({ open, title, onClose, wide, children }: Props) {
  return (
    <Dialog open={open} onClose={onClose} className="relative z-40">
      <DialogBackdrop className="fixed inset-0 bg-stage/60" />
      <div className="fixed inset-0 flex items-center justify-center p-6">
        <DialogPanel
          className={`flex max-h-full w-full flex-col rounded-lg border border-line-strong bg-sheet text-ink ${wide ? 'max-w-5xl' : 'max-w-lg'}`}
        >
          <div className="flex items-center justify-between border-b border-line px-4 py-2">
            <DialogTitle className="font-serif text-[18px] font-semibold">{title}</DialogTitle>
            <button
              aria-label="Close"
              className="min-h-8 min-w-8 text-ink-2 hover:text-ink"
              onClick={onClose}
            >
              <X size={16} />
            </button>
          </div>
          <div className="min-h-0 overflow-auto p-4" tabIndex={0}>
            {children}
          </div>
        </DialogPanel>
      </div>
    </Dialog>
  );
}
