// Typesets one document and ends: for the console, and where no service can be started.
import { frame, onMessages } from "./frames.mjs";
import { Press } from "./press.mjs";

const MOST = 512 * 1024 * 1024;
const press = new Press();

onMessages(process.stdin, MOST, (request) => {
  let message;
  let bytes;
  try {
    const missing = press.take(request);
    if (missing.sections.length > 0 || missing.pictures.length > 0) message = { missing };
    else {
      const { answer, pdf } = press.make(request);
      message = { answer };
      bytes = pdf;
    }
  } catch (error) {
    message = { failed: String(error?.message ?? error) };
  }
  process.stdout.write(frame(message, bytes));
});
