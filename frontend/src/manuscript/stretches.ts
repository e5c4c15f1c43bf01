import type { Session } from "../document/session";
import { sectionsOf, type Stretch } from "../editor/stretch";
import { counted } from "../parts/words";

/**
 * Keeps writing that made sections come or go. The screen shows it already; what is typed meanwhile in the section that
 * stayed builds on what this keeps. When it cannot be kept, the texts are shown as they were: answers with these sections.
 */
export async function keepStretch(session: Session, stretch: Stretch): Promise<readonly string[]> {
  const sections = sectionsOf(stretch);
  const asked = sections.filter((section) => session.typing.isAsked(section));
  if (asked.length > 0) {
    // Of two texts that wait for a choice neither may go with the stretch: both stand there, and it is done again.
    for (const section of asked) await session.typing.settleClash(section, "both");
    session.messages.say("Two windows changed the same words there; both stand there now. Do it once more.", "warning");
    return sections;
  }
  const texts = stretch.name === "replace-stretch" ? stretch.texts : [];
  const made = texts.slice(1).flatMap(({ id }) => id ?? []);
  const stays = stretch.name === "batch" ? sections : [...sections.slice(0, 1), ...made];
  const answer = await session.changes.keep(stretch, ({ revision }) => session.typing.buildOn(stays, revision));
  if (answer.kind !== "applied") {
    sections.forEach((section) => session.typing.forget(section));
    return sections;
  }
  if (stretch.name === "batch") return [];
  session.messages.say(said(sections.length - (texts.length > 0 ? 1 : 0), made.length), "said", true);
  return [];
}

function said(gone: number, made: number): string {
  if (gone === 0) return made === 1 ? "The section is split." : `${counted(made, "section")} begun.`;
  const begun = made > 0 ? `, ${counted(made, "section")} begun` : "";
  return `${counted(gone, "section")} went to the offcuts${begun}.`;
}
