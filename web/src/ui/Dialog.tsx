import { Dialog as Radix } from "radix-ui";
import { type ReactNode, useRef } from "react";

interface Props {
  open: boolean;
  onClose: () => void;
  title: string;
  /** one sentence under the title */
  about: string;
  children: ReactNode;
}

/** Asks before something that matters, above everything else; Escape and a press beside it close it. */
export function Dialog({ open, onClose, title, about, children }: Props) {
  const from = useRef<Element | null>(null);
  return (
    <Radix.Root open={open} onOpenChange={(now) => !now && onClose()}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-40 bg-black/45" />
        <Radix.Content
          className="fixed top-1/2 left-1/2 z-50 max-h-[90vh] w-[min(560px,94vw)] -translate-x-1/2 -translate-y-1/2 overflow-auto border border-frame bg-sheet p-6"
          onOpenAutoFocus={() => {
            from.current = document.activeElement;
          }}
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            giveBack(from.current);
          }}
        >
          <Radix.Title className="text-[20px] font-bold">{title}</Radix.Title>
          <Radix.Description className="mt-1 mb-4 text-ink2">{about}</Radix.Description>
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}

/** Where somebody was before; where that is gone, the page itself, so that Tab goes on from its beginning and not from nowhere. */
function giveBack(from: Element | null): void {
  if (from instanceof HTMLElement && from.isConnected && from !== document.body) {
    from.focus();
    return;
  }
  document.querySelector<HTMLElement>("main")?.focus();
}
