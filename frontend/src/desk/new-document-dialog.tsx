import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Trash2 } from "lucide-react";
import { useState, type FormEvent } from "react";
import { api, read } from "../api/client";
import type { components } from "../generated/api";
import { Button } from "../parts/button";
import { cx } from "../parts/cx";
import { Dialog } from "../parts/dialog";
import { Progress } from "../parts/progress";
import { counted } from "../parts/words";

type Starter = components["schemas"]["Starter"];

/** A new document: its title, and the outline it begins with. */
export function NewDocumentDialog({
  onClose,
  onBegin,
}: {
  onClose: () => void;
  onBegin: (title: string, starter: string) => void;
}) {
  const client = useQueryClient();
  const starters = useQuery({ queryKey: ["starters"], queryFn: () => read(api.GET("/api/starters")) });
  const [title, setTitle] = useState("");
  const [chosen, setChosen] = useState("blank");
  const remove = useMutation({
    mutationFn: async (id: string) => void (await api.DELETE("/api/starters/{id}", { params: { path: { id } } })),
    onSuccess: () => (setChosen("blank"), client.invalidateQueries({ queryKey: ["starters"] })),
  });
  const starter = starters.data?.find((each) => each.id === chosen);
  const begin = (event: FormEvent) => {
    event.preventDefault();
    if (title.trim() !== "") onBegin(title.trim(), chosen);
  };
  return (
    <Dialog open onClose={onClose} wide title="New document">
      <form onSubmit={begin}>
        <label className="block text-soft">
          Its title; it can be changed at any time
          <input
            autoFocus
            value={title}
            maxLength={300}
            onChange={(event) => setTitle(event.target.value)}
            className="mt-1.5 block w-full rounded-lg border border-line bg-paper px-3 py-2 font-text text-base text-ink"
          />
        </label>
        {starters.isPending && <Progress words="Looking for the starters…" />}
        {starters.data && (
          <div className="mt-5 grid grid-cols-1 gap-6 sm:grid-cols-[200px_minmax(0,1fr)]">
            <fieldset>
              <legend className="mb-1.5 text-soft">Begin with</legend>
              <div className="space-y-0.5">
                {starters.data.map((each) => (
                  <Choice
                    key={each.id}
                    starter={each}
                    chosen={each.id === chosen}
                    onChoose={() => setChosen(each.id)}
                    onRemove={() => remove.mutate(each.id)}
                  />
                ))}
              </div>
            </fieldset>
            <div className="min-w-0">{starter && <StarterOutline starter={starter} />}</div>
          </div>
        )}
        <div className="mt-6 flex justify-end gap-2">
          <Button tone="quiet" onClick={onClose}>
            Cancel
          </Button>
          <Button tone="stem" type="submit" disabled={title.trim() === ""}>
            Begin
          </Button>
        </div>
      </form>
    </Dialog>
  );
}

function Choice({
  starter,
  chosen,
  onChoose,
  onRemove,
}: {
  starter: Starter;
  chosen: boolean;
  onChoose: () => void;
  onRemove: () => void;
}) {
  return (
    <div className={cx("flex items-center rounded-lg", chosen ? "bg-wash font-semibold text-stem" : "hover:bg-wash")}>
      <label className="flex flex-1 cursor-pointer items-center gap-2 px-2 py-1.5">
        <input
          type="radio"
          name="starter"
          value={starter.id}
          checked={chosen}
          onChange={onChoose}
          className="accent-stem"
        />
        <span className="truncate">{starter.name}</span>
      </label>
      {starter.isOwn && (
        <button
          type="button"
          aria-label={`Take the starter ${starter.name} away`}
          title="Take this starter away"
          onClick={onRemove}
          className="grid size-7 place-items-center rounded-full text-faint hover:text-loss"
        >
          <Trash2 size={13} aria-hidden="true" />
        </button>
      )}
    </div>
  );
}

function StarterOutline({ starter }: { starter: Starter }) {
  const required = starter.parts.filter((part) => part.isRequired).length;
  return (
    <section aria-label={`Outline of ${starter.name}`}>
      <p className="mb-3 text-soft">
        {starter.description || `An outline of your own, ${counted(starter.parts.length, "heading")}.`}
      </p>
      {starter.id !== "blank" && (
        <ul
          className="max-h-[34vh] space-y-1.5 overflow-auto border-l border-twig pr-2 pl-4"
          tabIndex={0}
          aria-label="Its headings"
        >
          {starter.parts.map((part, index) => (
            <li key={index} style={{ paddingLeft: (part.level - 1) * 18 }}>
              <p className={part.level === 1 ? "font-text font-semibold" : ""}>
                {part.number && <span className="mr-2 text-xs font-[400] text-faint tabular-nums">{part.number}</span>}
                {part.heading}
                {part.isRequired && (
                  <span className="ml-1 text-ochre" title="Required: the check reports it while it is missing">
                    <span aria-hidden="true">•</span>
                    <span className="sr-only"> (required)</span>
                  </span>
                )}
              </p>
              {part.aim && <p className="font-text text-[12.5px] leading-4 text-faint italic">{part.aim}</p>}
            </li>
          ))}
        </ul>
      )}
      {required > 0 && (
        <p className="mt-3 text-xs text-faint">
          <span className="text-ochre" aria-hidden="true">
            •
          </span>{" "}
          {counted(required, "part")} {required === 1 ? "is" : "are"} required; the check reports{" "}
          {required === 1 ? "it" : "each"} while it is missing.
        </p>
      )}
    </section>
  );
}
