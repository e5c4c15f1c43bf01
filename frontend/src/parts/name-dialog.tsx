import { useState, type FormEvent } from "react";
import { Button } from "./button";
import { Dialog } from "./dialog";

type Props = {
  open: boolean;
  title: string;
  label: string;
  action: string;
  initial?: string;
  onClose: () => void;
  onName: (name: string) => void;
};

/** Asks for one line of words. */
export function NameDialog({ open, title, onClose, ...props }: Props) {
  return (
    <Dialog open={open} onClose={onClose} title={title}>
      <NameForm onClose={onClose} {...props} />
    </Dialog>
  );
}

function NameForm({ label, action, initial = "", onClose, onName }: Omit<Props, "open" | "title">) {
  const [name, setName] = useState(initial);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (name.trim() === "") return;
    onName(name.trim());
    onClose();
  };
  return (
    <form onSubmit={submit}>
      <label className="block text-soft">
        {label}
        <input
          autoFocus
          value={name}
          maxLength={300}
          onChange={(event) => setName(event.target.value)}
          className="mt-2 block w-full rounded-lg border border-line bg-paper px-3 py-2 font-text text-base text-ink"
        />
      </label>
      <div className="mt-5 flex justify-end gap-2">
        <Button tone="quiet" onClick={onClose}>
          Cancel
        </Button>
        <Button tone="stem" type="submit" disabled={name.trim() === ""}>
          {action}
        </Button>
      </div>
    </form>
  );
}
