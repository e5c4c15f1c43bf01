import { Popover } from "radix-ui";
import { useEffect, useMemo } from "react";
import { Button } from "../parts/button";
import { Fold } from "../parts/fold";
import { useContents } from "./contents";
import { ContentsDifferences } from "./contents-differences";
import { ContentsLines } from "./contents-lines";
import { ContentsSettings } from "./contents-settings";
import { setUpInPlace, useOpenContents, type OpenContents } from "./open-contents";

type Props = { side: "left" | "right"; onClosed: () => void };

/** All settings of contents beside where they stand, in the text or on a page. */
export function ContentsInPlace(props: Props) {
  const { open } = useOpenContents();
  useEffect(() => () => setUpInPlace(null), []);
  return open && <InPlace open={open} {...props} />;
}

function InPlace({ open, side, onClosed }: Props & { open: OpenContents }) {
  const { contents, isBehind } = useContents();
  const shown = contents?.find(({ section, index }) => section === open.section && index === open.index);
  const isGone = contents !== undefined && !isBehind && !shown;
  useEffect(() => {
    if (isGone) setUpInPlace(null);
  }, [isGone]);
  // Where it was opened: what it is beside is drawn anew with each setting.
  const beside = useMemo(() => ({ current: { getBoundingClientRect: () => open.beside } }), [open.beside]);
  return (
    <Popover.Root open onOpenChange={(isOpen) => !isOpen && setUpInPlace(null)}>
      <Popover.Anchor virtualRef={beside} />
      <Popover.Portal>
        {shown && (
          <Popover.Content
            side={side}
            align="start"
            sideOffset={8}
            collisionPadding={12}
            aria-label={`How “${shown.title || "Contents"}” look`}
            // A title being typed is kept as its field is left, which it is before it goes.
            onPointerDownOutside={() => document.activeElement instanceof HTMLElement && document.activeElement.blur()}
            onCloseAutoFocus={(event) => {
              event.preventDefault();
              onClosed();
            }}
            className="z-40 max-h-(--radix-popover-content-available-height) w-84 space-y-3 overflow-auto rounded-xl border border-line bg-sheet p-4 text-soft shadow-lg"
          >
            <ContentsDifferences contents={shown} />
            <ContentsSettings contents={shown} />
            <Fold words="Lines">
              <ContentsLines contents={shown} />
            </Fold>
            <div className="flex justify-end">
              <Popover.Close asChild>
                <Button>Done</Button>
              </Popover.Close>
            </div>
          </Popover.Content>
        )}
      </Popover.Portal>
    </Popover.Root>
  );
}
