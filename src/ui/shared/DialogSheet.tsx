'use client';
import { X } from 'lucide-react';
import { type ReactNode, useEffect, useRef } from 'react';
import { Dialog, Heading } from 'react-aria-components/Dialog';
import { Modal, ModalOverlay } from 'react-aria-components/Modal';

export interface DialogProps {
  readonly open: boolean;
  readonly title: string;
  readonly onClose: () => void;
  readonly children: ReactNode;
  readonly wide?: boolean;
}

/** What the hand wants first; the way out stands before it on the page. */
const FIRST = 'input:not([type=hidden], [type=file]), textarea, select';

/** The sheet itself, fetched when the first dialog is asked for. */
export default function DialogSheet({ title, onClose, children, wide }: Omit<DialogProps, 'open'>) {
  const body = useRef<HTMLDivElement>(null);
  useEffect(() => body.current?.querySelector<HTMLElement>(FIRST)?.focus(), []);
  return (
    <ModalOverlay isOpen onOpenChange={(open) => open || onClose()} className="modal modal-open z-40">
      <Modal className={`modal-box ${wide ? 'max-w-[60rem]' : 'max-w-[34rem]'}`}>
        <Dialog className="outline-none">
          <div className="flex items-center justify-between mb-4 gap-4">
            <Heading slot="title" className="text-xl font-bold">
              {title}
            </Heading>
            <button type="button" className="btn min-h-12 min-w-12 justify-center" aria-label="Close" onClick={onClose}>
              <X size={18} aria-hidden="true" />
            </button>
          </div>
          <div ref={body}>{children}</div>
        </Dialog>
      </Modal>
    </ModalOverlay>
  );
}
