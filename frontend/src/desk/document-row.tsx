import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Ellipsis } from "lucide-react";
import { useState } from "react";
import { Link } from "wouter";
import { api, read, type DocumentCard } from "../api/client";
import { Menu } from "../parts/menu";
import { Shape } from "./shape";
import { StageShares } from "./stage-shares";
import { counted, formatNumber, since } from "../parts/words";
import { NameDialog } from "../parts/name-dialog";

/** One document on the desk: its name, its shape, how far it is, and where writing stopped. */
export function DocumentRow({
  document,
  onRemoved,
}: {
  document: DocumentCard;
  onRemoved: (removed: { id: string; title: string }) => void;
}) {
  const client = useQueryClient();
  const [naming, setNaming] = useState(false);
  const again = () => client.invalidateQueries({ queryKey: ["documents"] });
  const title = document.title.trim() === "" ? "Untitled" : document.title;
  const path = { params: { path: { id: document.id } } };
  const rename = useMutation({
    mutationFn: (name: string) =>
      read(
        api.POST("/api/documents/{id}/operations", {
          ...path,
          body: { baseRevision: document.revision, operation: { name: "describe-document", title: name } },
        }),
      ),
    onSuccess: again,
  });
  const remove = useMutation({
    mutationFn: async () => {
      const { error } = await api.DELETE("/api/documents/{id}", path);
      if (error) throw new Error(error.detail);
    },
    onSuccess: () => (onRemoved({ id: document.id, title }), again()),
  });

  const copy = useMutation({
    mutationFn: () => read(api.POST("/api/documents/{id}/copy", path)),
    onSuccess: again,
  });

  return (
    <li className="group relative grid grid-cols-[minmax(0,1fr)_auto] items-center gap-x-8 border-t border-line py-5 last:border-b md:grid-cols-[minmax(0,1fr)_400px_132px_32px]">
      <div className="min-w-0">
        <Link
          href={`/documents/${document.id}`}
          className="font-text text-[17px] leading-6 font-semibold text-ink after:absolute after:inset-0 hover:text-stem"
        >
          {title}
        </Link>
        <p className="truncate text-faint">
          {document.resumeHeading
            ? `Stopped in “${document.resumeHeading}”`
            : document.subtitle || counted(document.sectionWords.length, "section")}
        </p>
      </div>
      <div className="hidden md:block">
        <Shape levels={document.levels} words={document.sectionWords} width={400} />
      </div>
      <div className="text-right tabular-nums">
        <p>
          {document.target
            ? `${formatNumber(document.words)} of ${formatNumber(document.target)}`
            : counted(document.words, "word")}
        </p>
        {document.pages !== null && (
          <p
            className={document.arePagesBehind ? "text-ochre" : "text-soft"}
            title={document.arePagesBehind ? "Before the last changes" : undefined}
          >
            {counted(document.pages, "page")}
            {document.arePagesBehind && <span className="sr-only">, before the last changes</span>}
          </p>
        )}
        <StageShares words={document.stageWords} />
        <p className="text-faint">{since(document.changedAt)}</p>
      </div>
      <Menu
        label={`Commands for ${title}`}
        align="end"
        entries={[
          { label: "Rename…", run: () => setNaming(true) },
          { label: "Copy the whole document", run: () => copy.mutate() },
          "line",
          { label: "Take off the desk", tone: "loss", run: () => remove.mutate() },
        ]}
      >
        <button
          type="button"
          aria-label={`Commands for ${title}`}
          className="z-10 grid size-8 place-items-center rounded-full text-soft hover:bg-wash max-md:absolute max-md:right-0 max-md:bottom-1 md:relative"
        >
          <Ellipsis size={16} aria-hidden="true" />
        </button>
      </Menu>
      <NameDialog
        open={naming}
        title="Rename the document"
        label="Title"
        action="Rename"
        initial={document.title}
        onClose={() => setNaming(false)}
        onName={(name) => rename.mutate(name)}
      />
      {copy.isPending && (
        <p role="status" className="col-span-full mt-2 text-soft">
          Copying…
        </p>
      )}
      {[rename.error, remove.error, copy.error].map(
        (error) =>
          error && (
            <p key={error.message} role="alert" className="col-span-full mt-2 text-loss">
              {error.message}
            </p>
          ),
      )}
    </li>
  );
}
