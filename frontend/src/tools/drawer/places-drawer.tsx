import { useQuery } from "@tanstack/react-query";
import { useDocument, useSession } from "../../document/context";
import { sectionLabel } from "../../document/section-name";
import { keptFile } from "../../editor/target";
import { followTarget, placesQuery } from "../../places/places";

/** The named places of the document and the links within it. */
export function PlacesDrawer() {
  const session = useSession("PlacesDrawer");
  const id = useDocument("PlacesDrawer", (state) => state.id);
  const places = useQuery(placesQuery(id));
  const numberOf = (section: string) => session.state.numbers[session.state.positions.get(section) ?? -1] ?? "";
  if (!places.data) return <p className="text-soft">{places.error?.message ?? "Looking…"}</p>;
  const { bookmarks, links, addresses } = places.data;
  return (
    <div className="space-y-6">
      <div>
        <h3 className="mb-1 text-[11px] font-semibold text-stem">Bookmarks</h3>
        {bookmarks.length === 0 && (
          <p className="text-soft">
            None yet. Put the cursor in the text and choose “Bookmark here” beside the paragraph.
          </p>
        )}
        <ul>
          {bookmarks.map((bookmark) => (
            <li key={bookmark.id}>
              <button
                type="button"
                className="w-full rounded-lg px-2 py-1 text-left hover:bg-wash"
                onClick={() => session.navigation.goTo({ section: bookmark.section, bookmark: bookmark.id })}
              >
                <span className="font-medium text-ochre">{bookmark.name}</span>{" "}
                <span className="text-faint">in {sectionLabel(session.state, bookmark.section)}</span>
              </button>
            </li>
          ))}
        </ul>
      </div>
      <div>
        <h3 className="mb-1 text-[11px] font-semibold text-stem">Links within the document</h3>
        {links.length === 0 && <p className="text-soft">None yet. Select some words and choose the link above them.</p>}
        <ul>
          {links.map((link) => (
            <li key={link.section + link.target} className="flex items-baseline gap-2 px-2 py-1">
              <button
                type="button"
                className="rounded text-faint hover:text-stem"
                title={`Go to the link in ${sectionLabel(session.state, link.section)}`}
                onClick={() => session.navigation.goTo({ section: link.section })}
              >
                {numberOf(link.section) || "•"}
              </button>
              <button
                type="button"
                className={`rounded text-left hover:underline ${link.broken ? "text-loss" : "text-stem"}`}
                onClick={() =>
                  followTarget(
                    session,
                    `${session.state.positions.has(link.target) ? "section" : "bookmark"}:${link.target}`,
                  )
                }
              >
                {link.words || "(no words)"}
                {link.broken && <span className="ml-2 text-xs">leads nowhere</span>}
              </button>
            </li>
          ))}
        </ul>
      </div>
      <div>
        <h3 className="mb-1 text-[11px] font-semibold text-stem">Links to the web, mail and files</h3>
        {addresses.length === 0 && <p className="text-soft">None yet.</p>}
        <ul>
          {addresses.map(({ section, address, words }) => (
            <li key={section + address} className="flex items-baseline gap-2 px-2 py-1">
              <button
                type="button"
                className="rounded text-faint hover:text-stem"
                title={`Go to the link in ${sectionLabel(session.state, section)}`}
                onClick={() => session.navigation.goTo({ section })}
              >
                {numberOf(section) || "•"}
              </button>
              <button
                type="button"
                className="min-w-0 rounded text-left text-stem hover:underline"
                onClick={() => followTarget(session, address)}
              >
                {words || "(no words)"}
                <span className="block text-xs break-all text-faint">
                  {keptFile(address)?.name ?? address.replace(/^mailto:/i, "")}
                </span>
              </button>
            </li>
          ))}
        </ul>
      </div>
    </div>
  );
}
