import type { RefObject } from "react";

/** The browser’s own way to choose a file; a button of ours opens it. */
export function FileInput({
  field,
  accept,
  onFile,
}: {
  field: RefObject<HTMLInputElement | null>;
  accept: string;
  onFile: (file: File) => void;
}) {
  return (
    <input
      ref={field}
      type="file"
      accept={accept}
      className="hidden"
      tabIndex={-1}
      aria-hidden="true"
      onChange={(event) => {
        const file = event.target.files?.[0];
        if (file) onFile(file);
        // The same file can be chosen again.
        event.target.value = "";
      }}
    />
  );
}
