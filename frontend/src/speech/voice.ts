/** Says a line of words, and tells which of them it is at. */
export type Voice = {
  /**
   * @param rate   1 is the usual speed
   * @param onWord told where in the words each begins (UTF-16 code units)
   */
  say(
    words: string,
    options: { language: string; rate: number; onWord: (at: number) => void; onEnd: () => void },
  ): void;
  pause(): void;
  resume(): void;
  stop(): void;
};

/** The browser’s own voice, where it has one for anything. */
export function browserVoice(): Voice | null {
  const speech = window.speechSynthesis as SpeechSynthesis | undefined;
  if (!speech || speech.getVoices().length === 0) return null;
  let now: SpeechSynthesisUtterance | null = null;
  return {
    say(words, { language, rate, onWord, onEnd }) {
      const said = new SpeechSynthesisUtterance(words);
      said.lang = language;
      said.rate = rate;
      said.addEventListener("boundary", (event) => said === now && event.name === "word" && onWord(event.charIndex));
      for (const end of ["end", "error"] as const) said.addEventListener(end, () => said === now && onEnd());
      now = said;
      speech.speak(said);
    },
    pause: () => speech.pause(),
    resume: () => speech.resume(),
    stop: () => {
      now = null;
      speech.cancel();
    },
  };
}

/** Stands in where there is no voice: it goes from word to word as fast as one reads aloud, and is heard by nobody. */
export function silentVoice(wordsPerMinute: number): Voice {
  let timer: number | undefined;
  let goOn: (() => void) | null = null;
  const stop = () => {
    window.clearTimeout(timer);
    goOn = null;
  };
  return {
    say(words, { language, rate, onWord, onEnd }) {
      const segments = new Intl.Segmenter(language, { granularity: "word" });
      const starts = [...segments.segment(words)].filter(({ isWordLike }) => isWordLike).map(({ index }) => index);
      let next = 0;
      const step = () => {
        const at = starts[next++];
        if (at === undefined) return (stop(), onEnd());
        onWord(at);
        timer = window.setTimeout(step, 60_000 / (wordsPerMinute * rate));
      };
      goOn = step;
      step();
    },
    pause: () => window.clearTimeout(timer),
    resume: () => goOn?.(),
    stop,
  };
}
