import { useQuery } from "@tanstack/react-query";
import { api, read } from "../../api/client";
import { useDocument, useSession } from "../../document/context";
import { counted, since } from "../../parts/words";

/** What was cut and not thrown away. */
export function OffcutsDrawer() {
  const session = useSession("OffcutsDrawer");
  const id = useDocument("OffcutsDrawer", (state) => state.id);
  const generation = useDocument("OffcutsDrawer", (state) => state.generation);
  const offcuts = useQuery({
    queryKey: ["offcuts", id, generation],
    queryFn: () => read(api.GET("/api/documents/{id}/offcuts", { params: { path: { id } } })),
    placeholderData: (previous) => previous,
  });
  if (!offcuts.data) return <p className="text-soft">{offcuts.error?.message ?? "Looking…"}</p>;
  if (offcuts.data.length === 0) return <p className="text-soft">Nothing has been cut. What you delete or set aside comes here first, is not counted and is never printed.</p>;
  return (
    <ul className="space-y-4">
      {offcuts.data.map((offcut) => (
        <li key={offcut.id} className="border-t border-line pt-3">
          <h3 className="font-text font-semibold">{offcut.name || "No heading"}</h3>
          <p className="text-xs text-faint">
            {offcut.reason === "deleted" ? "Deleted" : "Set aside"} {since(offcut.cutAt)} · {offcut.sections > 1 ? `${counted(offcut.sections, "section")}, ` : ""}
            {counted(offcut.words, "word")}
          </p>
          {offcut.opening && <p className="my-1.5 line-clamp-4 font-text text-[13.5px] text-soft">{offcut.opening}</p>}
          <button type="button" className="rounded font-semibold text-stem underline underline-offset-4" onClick={() => void session.perform({ name: "bring-back", offcut: offcut.id })}>
            Bring back
          </button>
        </li>
      ))}
    </ul>
  );
}
