import type { StoreApi } from "zustand/vanilla";
import type { Message, WindowState } from "./window-state";

/** The one sentence that the window says at a time. */
export class Messages {
  private key = 0;

  constructor(private readonly window: StoreApi<WindowState>) {}

  say(sentence: string, tone: Message["tone"] = "said", canUndo = false): void {
    this.window.setState({ message: { key: ++this.key, tone, sentence, canUndo } });
  }

  /** Says something, and offers what to do about it. */
  offer(sentence: string, label: string, run: () => void): void {
    this.window.setState({
      message: { key: ++this.key, tone: "said", sentence, canUndo: false, offer: { label, run } },
    });
  }

  dismiss(): void {
    this.window.setState({ message: null });
  }
}
