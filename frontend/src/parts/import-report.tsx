import { AlertTriangle, Check, CircleHelp, RefreshCw, type LucideIcon } from "lucide-react";
import type { ReportLine } from "../api/client";

const KINDS: { kind: ReportLine["kind"]; title: string; icon: LucideIcon; tone: string }[] = [
  { kind: "doubt", title: "Please look at", icon: CircleHelp, tone: "text-ochre" },
  { kind: "lost", title: "Could not be kept", icon: AlertTriangle, tone: "text-loss" },
  { kind: "changed", title: "Changed", icon: RefreshCw, tone: "text-stem" },
];

const SHOWN_PLACES = 8;

/** What became of a file: what needs a look first, what was kept last. */
export function ImportReport({ report, documentId }: { report: readonly ReportLine[]; documentId: string }) {
  const kept = report.filter((line) => line.kind === "kept");
  const clean = kept.length === report.length;
  return (
    <div className="space-y-5">
      {clean && <p className="text-soft">Everything in the file was kept as it was.</p>}
      {KINDS.map(({ kind, title, icon: Icon, tone }) => {
        const lines = report.filter((line) => line.kind === kind);
        return (
          lines.length > 0 && (
            <section key={kind} aria-label={title}>
              <h3 className={`mb-1.5 flex items-center gap-2 text-xs font-semibold ${tone}`}>
                <Icon size={14} strokeWidth={1.8} aria-hidden="true" />
                {title}
              </h3>
              <ul className="space-y-2">
                {lines.map((line) => (
                  <Line key={line.sentence} line={line} documentId={documentId} />
                ))}
              </ul>
            </section>
          )
        );
      })}
      {kept.length > 0 && (
        <section aria-label="Kept">
          <h3 className="mb-1.5 flex items-center gap-2 text-xs font-semibold text-stem">
            <Check size={14} strokeWidth={1.8} aria-hidden="true" />
            Kept
          </h3>
          <ul className="flex flex-wrap gap-x-1.5 gap-y-1 pl-[22px] text-soft">
            {kept.map((line, index) => (
              <li key={line.sentence}>
                {line.sentence}
                {index < kept.length - 1 && " ·"}
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}

function Line({ line, documentId }: { line: ReportLine; documentId: string }) {
  const places = line.places.filter((place) => place.detail !== "" || line.count > 1);
  const more = line.count - Math.min(places.length, SHOWN_PLACES);
  return (
    <li className="pl-[22px]">
      <p>{line.sentence}</p>
      {places.some((place) => place.detail !== "") && (
        <p className="text-faint">
          {places.slice(0, SHOWN_PLACES).map((place, index) => (
            <span key={index}>
              <a
                href={`/documents/${documentId}?at=${place.section}`}
                className="underline decoration-line underline-offset-4 hover:text-stem"
              >
                {place.detail || "here"}
              </a>
              {index < Math.min(places.length, SHOWN_PLACES) - 1 && " · "}
            </span>
          ))}
          {more > 0 && ` · and ${more} more`}
        </p>
      )}
    </li>
  );
}
