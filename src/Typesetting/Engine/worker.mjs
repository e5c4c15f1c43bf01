// Serves one document, for service.mjs; ends with it.
import { setPriority } from "node:os";
import { Press } from "./press.mjs";

// Whoever types comes first.
setPriority(10);

const press = new Press();

process.on("message", (request) => {
  try {
    const missing = press.take(request);
    if (missing.sections.length > 0 || missing.pictures.length > 0) {
      process.send({ missing });
      return;
    }
    const { answer, pdf } = press.make(request);
    process.send({ answer, pdf: pdf?.toString("base64") });
  } catch (error) {
    process.send({ failed: String(error?.message ?? error) });
  }
});
process.on("disconnect", () => process.exit());
process.send({ ready: true });
