import createClient from "openapi-fetch";
import type { components, paths } from "../generated/api";

type Schemas = components["schemas"];
export type Bookmark = Schemas["Bookmark"];
export type ChangesSince = Schemas["ChangesSince"];
export type Conflict = Schemas["Conflict"];
export type DocumentCard = Schemas["DocumentCard"];
export type Contents = Schemas["Contents"];
export type ContentsLine = Schemas["ContentsLine"];
export type Difference = Schemas["Difference"];
export type HistoryPart = Schemas["HistoryPage"];
export type HistoryStep = Schemas["HistoryStep"];
export type Finding = Schemas["Finding"];
export type FindQuery = Schemas["FindQuery"];
export type Found = Schemas["Found"];
export type FoundOnDesk = Schemas["FoundOnDesk"];
export type FoundPlace = Schemas["FoundPlace"];
export type Idea = Schemas["Idea"];
export type InnerLink = Schemas["InnerLink"];
export type Milestone = Schemas["Milestone"];
export type SectionDetail = Schemas["SectionDetail"];
export type Offcut = Schemas["Offcut"];
export type NamedCaption = Schemas["NamedCaption"];
export type Operation = Schemas["Operation"];
export type OperationNamed<Name extends Operation["name"]> = Extract<Operation, { name: Name }>;
export type OutlineCounts = Schemas["OutlineCounts"];
export type LikelyHeading = Schemas["LikelyHeading"];
export type LookGroup = Schemas["LookGroup"];
export type PageSpot = Schemas["PageSpot"];
export type PageSetup = Schemas["PageSetup"];
export type PageSetupView = Schemas["PageSetupView"];
export type HouseStyleView = Schemas["HouseStyleView"];
export type KindView = Schemas["KindView"];
export type KindPlaceView = Schemas["KindPlaceView"];
export type KindUseView = Schemas["KindUseView"];
export type StyleSheetView = Schemas["StyleSheetView"];
export type RunningLine = Schemas["RunningLine"];
export type Places = Schemas["Places"];
export type Preview = Schemas["Preview"];
export type PreviewSection = Schemas["PreviewSection"];
export type Problem = Schemas["Problem"];
export type PutIn = Schemas["PutIn"];
export type Reminder = Schemas["Reminder"];
export type RemindersOfDocument = Schemas["RemindersOfDocument"];
export type ReportLine = Schemas["ReportLine"];
export type SectionFacts = Schemas["SectionFacts"];
export type SectionText = Schemas["SectionText"];
export type Skeleton = Schemas["Skeleton"];
export type StandingText = Schemas["StandingText"];
export type TextCounts = Schemas["TextCounts"];
export type Writing = Schemas["Writing"];
export type TitleBlock = Schemas["TitleBlock"];
export type Reading = WriteOutcome["outdated"][number];
export type Utterance = Schemas["Utterance"];
export type WordMark = Schemas["WordMark"];
export type WriteOutcome = Schemas["WriteOutcome"];

export const api = createClient<paths>({ baseUrl: window.location.origin });

export type Write =
  | { kind: "applied"; outcome: WriteOutcome }
  | { kind: "refused"; sentence: string; reason: string }
  | { kind: "stale"; conflict: Conflict }
  /** `isBroken`: it was answered, by a failure inside Stemmata that the same request would meet again. */
  | { kind: "unreachable"; sentence?: string; isBroken?: true };

/** What the writer is told when an answer never came. */
export const UNREACHABLE =
  "Stemmata cannot be reached just now. What you typed is kept in this window and sent as soon as it can be.";

export class ReadFailed extends Error {}

/** Reads, or throws one plain sentence. */
export async function read<T>(request: Promise<{ data?: T; error?: unknown }>): Promise<T> {
  let answer: { data?: T; error?: unknown };
  try {
    answer = await request;
  } catch {
    throw new ReadFailed(UNREACHABLE);
  }
  if (answer.data === undefined) throw new ReadFailed(sentenceOf(answer.error));
  return answer.data;
}

export function sentenceOf(problem: unknown): string {
  return isProblem(problem) ? problem.detail : "Stemmata gave an answer that cannot be understood.";
}

function isProblem(problem: unknown): problem is { detail: string; reason?: string } {
  return typeof problem === "object" && problem !== null && "detail" in problem && typeof problem.detail === "string";
}

/** Every change goes out through here and comes back as one of four. */
export async function write(
  request: Promise<{ data?: WriteOutcome; error?: unknown; response: Response }>,
): Promise<Write> {
  try {
    const { data, error, response } = await request;
    if (data !== undefined) return { kind: "applied", outcome: data };
    if (response.status === 409 && isProblem(error)) return { kind: "stale", conflict: error as Conflict };
    // A full disk, for instance: what was written is tried again, and the writer knows why.
    if (response.status >= 500)
      return {
        kind: "unreachable",
        ...(response.status === 500 ? { isBroken: true } : {}),
        ...((response.status === 503 || response.status === 507) && isProblem(error)
          ? { sentence: sentenceOf(error) }
          : {}),
      };
    // An answer that is not Stemmata's own, such as a proxy's “too many requests” or “log in again”, refuses nothing for good.
    return isProblem(error)
      ? { kind: "refused", sentence: sentenceOf(error), reason: error.reason ?? "" }
      : { kind: "unreachable" };
  } catch {
    return { kind: "unreachable" };
  }
}
