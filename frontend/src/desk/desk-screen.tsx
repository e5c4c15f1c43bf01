import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { FilePlus2, FolderInput } from "lucide-react";
import { useRef, useState, type DragEvent } from "react";
import { useLocation } from "wouter";
import { api, read } from "../api/client";
import { Button } from "../parts/button";
import { FileInput } from "../parts/file-input";
import { cx } from "../parts/cx";
import { Emblem } from "../parts/emblem";
import { ThemeButton } from "../parts/theme";
import { Progress } from "../parts/progress";
import { counted, formatNumber } from "../parts/words";
import { DeskFind } from "./desk-find";
import { StandingTexts } from "./standing-texts";
import { DeskReminders } from "./desk-reminders";
import { DocumentRow } from "./document-row";
import { importFile, READABLE, type Imported, type Progress as ImportProgress } from "../files/import-file";
import { ImportResult } from "../files/import-result";
import { usePageCounts } from "./use-page-counts";
import { NewDocumentDialog } from "./new-document-dialog";
import { RemovedDocuments } from "./removed-documents";

/** The first screen: the writer’s documents. */
export function DeskScreen() {
  const [, go] = useLocation();
  const client = useQueryClient();
  const documents = useQuery({ queryKey: ["documents"], queryFn: () => read(api.GET("/api/documents")) });
  usePageCounts(documents.data);
  const [naming, setNaming] = useState(false);
  const [over, setOver] = useState(false);
  const [removed, setRemoved] = useState<{ id: string; title: string } | null>(null);
  const [gone, setGone] = useState<string | null>(null);
  const [progress, setProgress] = useState<ImportProgress | null>(null);
  const [imported, setImported] = useState<Imported | null>(null);
  const chooser = useRef<HTMLInputElement>(null);
  const leave = useRef<AbortController>(null);

  // A list that is on its way already was made before the change.
  const readAgain = () =>
    client
      .cancelQueries({ queryKey: ["documents"] })
      .then(() => client.invalidateQueries({ queryKey: ["documents"] }))
      .then(() => client.invalidateQueries({ queryKey: ["removed-documents"] }));

  const create = useMutation({
    mutationFn: (wanted: { title: string; starter: string }) => read(api.POST("/api/documents", { body: wanted })),
    onSuccess: ({ id }) => go(`/documents/${id}?ask=write`),
  });
  const bring = useMutation({
    mutationFn: (file: File) => {
      setProgress(null);
      leave.current = new AbortController();
      return importFile(file, setProgress, leave.current.signal);
    },
    onSuccess: (made) => (setImported(made), readAgain()),
  });
  const restore = useMutation({
    mutationFn: (id: string) => read(api.POST("/api/documents/{id}/restore", { params: { path: { id } } })),
    onSuccess: () => (setRemoved(null), readAgain()),
  });

  const drop = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    const file = event.dataTransfer.files[0];
    if (file) bring.mutate(file);
  };
  const failure = [documents.error, create.error, bring.error, restore.error].find(Boolean);

  return (
    <div
      className={cx("min-h-full", over && "bg-wash")}
      onDragOver={(event) => event.dataTransfer.types.includes("Files") && (event.preventDefault(), setOver(true))}
      onDragLeave={(event) => event.currentTarget === event.target && setOver(false)}
      onDrop={drop}
    >
      <header className="mx-auto flex max-w-[1080px] flex-wrap items-center gap-3 px-5 pt-8 pb-10 md:px-8">
        <Emblem size={34} />
        <h1 className="font-text text-2xl font-semibold tracking-tight">Desk</h1>
        <p className="ml-2 text-faint">
          {documents.data && documents.data.length > 0 ? counted(documents.data.length, "document") : ""}
        </p>
        <span className="flex-1" />
        <ThemeButton />
        <FileInput field={chooser} accept={READABLE} onFile={(file) => bring.mutate(file)} />
        <Button onClick={() => chooser.current?.click()} disabled={bring.isPending}>
          <FolderInput size={15} strokeWidth={1.6} aria-hidden="true" />
          {bring.isPending ? "Reading…" : "Import a file"}
        </Button>
        <Button tone="stem" onClick={() => setNaming(true)}>
          <FilePlus2 size={15} strokeWidth={1.6} aria-hidden="true" />
          New document
        </Button>
      </header>

      <main className="mx-auto max-w-[1080px] px-5 pb-24 md:px-8">
        <div role="status" aria-live="polite">
          {bring.isPending && (
            <Progress
              words={
                progress?.doing === "storing"
                  ? `Storing “${bring.variables.name}”: ${formatNumber(progress.done)} of ${formatNumber(progress.of)} sections`
                  : `Reading “${bring.variables.name}”…`
              }
              {...(progress?.doing === "storing" ? { done: progress.done, of: progress.of } : {})}
              onCancel={() => leave.current?.abort()}
            />
          )}
          {failure && <p className="mb-4 rounded-lg border-l-2 border-loss bg-sheet px-4 py-3">{failure.message}</p>}
          {removed && (
            <p className="mb-4 flex items-center gap-4 rounded-lg border-l-2 border-ochre bg-sheet px-4 py-2">
              “{removed.title}” is off the desk.
              <Button tone="quiet" onClick={() => restore.mutate(removed.id)}>
                Put it back
              </Button>
            </p>
          )}
          {gone !== null && (
            <p className="mb-4 rounded-lg border-l-2 border-ochre bg-sheet px-4 py-2">“{gone}” is gone for good.</p>
          )}
        </div>
        {documents.isPending && <Progress words="Looking for your documents…" />}
        {documents.data?.length === 0 && <Empty />}
        {documents.data && documents.data.length > 0 && (
          <DeskFind>
            <ul>
              {documents.data.map((document) => (
                <DocumentRow
                  key={document.id}
                  document={document}
                  onRemoved={(taken) => (setRemoved(taken), setGone(null), void readAgain())}
                />
              ))}
            </ul>
          </DeskFind>
        )}
        <StandingTexts onRemoved={(taken) => (setRemoved(taken), setGone(null), void readAgain())} />
        <DeskReminders />
        <RemovedDocuments
          onRestore={(id) => restore.mutate(id)}
          onPurged={({ id, title }) => {
            // What is gone can no longer be put back.
            if (removed?.id === id) setRemoved(null);
            setGone(title);
          }}
        />
        <p className="mt-10 text-center text-faint">
          A file dropped anywhere here becomes a document: DOCX, ODT, EPUB, HTML, Markdown, OPML or plain text.
        </p>
      </main>
      {naming && (
        <NewDocumentDialog
          onClose={() => setNaming(false)}
          onBegin={(title, starter) => create.mutate({ title, starter })}
        />
      )}
      {imported && <ImportResult imported={imported} onClose={() => setImported(null)} />}
    </div>
  );
}

function Empty() {
  return (
    <div className="mx-auto max-w-md py-20 text-center">
      <p className="mb-2 font-text text-xl">The desk is clear.</p>
      <p className="text-soft">
        Begin a new document, or import a long file: its headings become an outline, and you can take it apart and put
        it together from there.
      </p>
    </div>
  );
}
