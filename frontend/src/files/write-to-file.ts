import type { FileFormat } from "../document/files";
import type { Session } from "../document/session";
import { openDialog } from "../window/open-dialog";

/** Writes the document or a branch to a file. Links that would be lost in it are told of before. */
export async function writeToFile(session: Session, format: FileFormat, section?: string): Promise<void> {
  const { count, keptFiles } = await session.files.deadLinks(section);
  if (count > 0 || keptFiles.length > 0) openDialog({ kind: "dead-links", format, section, count, keptFiles });
  else await session.files.write(format, section);
}
