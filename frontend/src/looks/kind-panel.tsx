import type { KindView, StyleSheetView } from "../api/client";
import { useState } from "react";
import { useSession } from "../document/context";
import { Button } from "../parts/button";
import { KeptField } from "../parts/kept-field";
import { FIELD } from "../parts/field";
import { cx } from "../parts/cx";
import { Fold } from "../parts/fold";
import { Select } from "../parts/select";
import { counted } from "../parts/words";
import { KindPlaces } from "./kind-places";
import { groupsOf } from "./properties";
import { PropertyGroups } from "./property-groups";
import { useShapeKind } from "./use-style-sheet";

type Props = {
  sheet: StyleSheetView;
  kind: KindView;
  /** How often it is there; undefined while that is counted. */
  count: number | undefined;
  /** Before one of its places is gone to. */
  onGo?: () => void;
};

/** All that can be said of a kind of text; each change is one for all places of that kind. */
export function KindPanel({ sheet, kind, count, onGo = () => {} }: Props) {
  const session = useSession("KindPanel");
  const shape = useShapeKind();
  const [wantsPlaces, setWantsPlaces] = useState(false);
  const rests = sheet.kinds.filter(({ of, name }) => of === kind.of && name !== kind.name);
  return (
    <section aria-label={`Look of ${kind.label}`} className="space-y-4 text-soft">
      <div>
        {kind.isOwn ? (
          <KeptField
            key={kind.name}
            aria-label="Name of this kind"
            value={kind.label}
            className={cx(FIELD, "w-full font-text text-[15px] font-semibold")}
            onKeep={(label) => (label === "" ? undefined : shape(kind.name, { label }))}
          />
        ) : (
          <h2 className="font-text text-[15px] font-semibold text-ink">{kind.label}</h2>
        )}
        <p role="status">
          {count === undefined
            ? "Changes all of this kind."
            : count === 0
              ? "Not in this document; what rests on it follows."
              : count === 1
                ? "Changes the one place of this kind."
                : `Changes all ${counted(count, "place")} of this kind.`}
        </p>
        {count !== undefined && count > 0 && (
          <div className="mt-2">
            <Fold words="Where it is" onToggle={setWantsPlaces}>
              {wantsPlaces && <KindPlaces key={kind.name} sheet={sheet} kind={kind} count={count} onGo={onGo} />}
            </Fold>
          </div>
        )}
      </div>
      {kind.restsOn !== null && (
        <div className="flex items-center gap-2">
          <span aria-hidden="true" className="w-24 shrink-0">
            Rests on
          </span>
          <Select
            label="Rests on"
            value={kind.restsOn}
            options={rests.map(({ name, label }) => ({ value: name, words: label }))}
            words={kind.of === "words" ? "the text around it" : ""}
            className="min-w-0 flex-1"
            onChange={(restsOn) => void shape(kind.name, { restsOn })}
          />
        </div>
      )}
      <PropertyGroups
        key={kind.name}
        sheet={sheet}
        groups={groupsOf(kind)}
        valueOf={(name) => kind.look[name] ?? ""}
        isSaid={(name) => name in kind.said}
        unsaid={kind.of === "words" ? "as around" : ""}
        onValue={(name, value) => shape(kind.name, { [name]: value })}
      />
      <div className="flex flex-wrap gap-2 border-t border-line pt-3">
        {kind.isChanged && (
          <Button
            onClick={() =>
              void shape(kind.name, {
                ...Object.fromEntries(Object.keys(kind.said).map((name) => [name, null])),
                restsOn: null,
              })
            }
          >
            Take back all that is said here
          </Button>
        )}
        {kind.isOwn && (
          <Button onClick={() => void session.changes.perform({ name: "remove-kind", kind: kind.name })}>
            Remove this kind
          </Button>
        )}
      </div>
    </section>
  );
}
