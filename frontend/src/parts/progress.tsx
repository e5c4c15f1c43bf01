import { Button } from "./button";

/** A wait, with how far it is where that is known. */
export function Progress({
  words,
  done,
  of,
  onCancel,
}: {
  words: string;
  done?: number;
  of?: number;
  onCancel?: () => void;
}) {
  const share = done !== undefined && of ? Math.min(1, done / of) : null;
  return (
    <div className="mb-4">
      <p className="flex items-center gap-3 text-soft">
        <span aria-hidden="true" className="size-3 animate-pulse rounded-full bg-stem" />
        {words}
        {onCancel && (
          <Button tone="quiet" onClick={onCancel}>
            Cancel
          </Button>
        )}
      </p>
      {share !== null && (
        <div
          className="mt-2 h-1 overflow-hidden rounded bg-line"
          role="progressbar"
          aria-label={words}
          aria-valuenow={Math.round(share * 100)}
          aria-valuemin={0}
          aria-valuemax={100}
        >
          <div className="h-1 rounded bg-stem" style={{ width: `${share * 100}%` }} />
        </div>
      )}
    </div>
  );
}
