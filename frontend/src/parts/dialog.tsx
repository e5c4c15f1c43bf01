import { Dialog as Primitive } from "radix-ui";
import type { ReactNode } from "react";
import { giveFocusBack } from "./focus";

/** A question or a form in the middle of the screen; Escape leaves it. */
export function Dialog({
  open,
  onClose,
  title,
  description,
  children,
  wide = false,
}: {
  open: boolean;
  onClose: () => void;
  title: string;
  description?: string;
  children: ReactNode;
  wide?: boolean;
}) {
  return (
    <Primitive.Root open={open} onOpenChange={(next) => !next && onClose()}>
      <Primitive.Portal>
        <Primitive.Overlay className="fixed inset-0 z-40 bg-ink/25" />
        <Primitive.Content
          {...(description ? {} : { "aria-describedby": undefined })}
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            giveFocusBack();
          }}
          className={`fixed left-1/2 z-50 w-[calc(100%-2rem)] -translate-x-1/2 overflow-auto rounded-2xl border border-line p-6 shadow-xl more-below ${wide ? "top-[min(8vh,4rem)] max-h-[calc(100dvh-min(8vh,4rem)-1rem)] max-w-3xl" : "top-[min(14vh,7rem)] max-h-[calc(100dvh-min(14vh,7rem)-1rem)] max-w-md"}`}
        >
          <Primitive.Title className="mb-1 font-text text-lg font-semibold">{title}</Primitive.Title>
          {description && <Primitive.Description className="mb-4 text-soft">{description}</Primitive.Description>}
          {children}
        </Primitive.Content>
      </Primitive.Portal>
    </Primitive.Root>
  );
}
