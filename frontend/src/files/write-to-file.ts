import type { FileFormat } from "../document/files";
import type { Session } from "../document/session";
import type { Scope } from "../outline/scope";
import { openDialog } from "../window/open-dialog";

/** Writes the document or a part of it to a file. Links that would be lost in it are told of before. */
export async function writeToFile(session: Session, format: FileFormat, scope?: Scope): Promise<void> {
  const { count, keptFiles } = await session.files.deadLinks(scope);
  if (count > 0 || keptFiles.length > 0) openDialog({ kind: "dead-links", format, scope, count, keptFiles });
  else await session.files.write(format, scope);
}
