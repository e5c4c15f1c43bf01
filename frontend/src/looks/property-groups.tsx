import type { StyleSheetView } from "../api/client";
import type { Property } from "./properties";
import { PropertyField } from "./property-field";

type Props = {
  sheet: StyleSheetView;
  groups: readonly { title: string; properties: readonly Property[] }[];
  valueOf: (property: string) => string;
  isSaid: (property: string) => boolean;
  /** What is shown where nothing is said. */
  unsaid: string;
  onValue: (property: string, value: string | null) => Promise<unknown> | void;
};

/** What can be said of a look, group by group. */
export function PropertyGroups({ sheet, groups, valueOf, isSaid, unsaid, onValue }: Props) {
  return groups.map(({ title, properties }) => (
    <fieldset key={title} className="min-w-0 space-y-1 border-t border-line pt-3">
      <legend className="sr-only">{title}</legend>
      <p aria-hidden="true" className="text-xs font-semibold text-stem">
        {title}
      </p>
      {properties.map((property) => (
        <PropertyField
          key={property.name}
          property={property}
          value={valueOf(property.name)}
          isSaid={isSaid(property.name)}
          faces={sheet.faces}
          unsaid={unsaid}
          onValue={(value) => onValue(property.name, value)}
        />
      ))}
    </fieldset>
  ));
}
