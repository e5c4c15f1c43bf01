import { Glasses } from "lucide-react";
import { Popover } from "radix-ui";
import type { ReactElement } from "react";
import { RoundButton } from "../parts/button";
import {
  FACES,
  LIMITS,
  SET_OFF,
  setComfort,
  THEMES,
  useComfort,
  USUAL,
  type FaceName,
  type SetOff,
  type Theme,
} from "../parts/comfort";
import { cx } from "../parts/cx";
import { Tick } from "../parts/tick";
import { backToText, useSpot } from "../manuscript/spot";
import { labelled } from "../keys/keys";
import { setQuiet } from "../window/quiet";

const THEME_WORDS: Record<Theme, string> = { day: "Day", night: "Night", contrast: "High contrast" };
const FACE_WORDS: Record<FaceName, string> = {
  sheet: "The document’s",
  book: "Book",
  figtree: "Plain",
  hyperlegible: "Distinct",
  opendyslexic: "Weighted",
};
const SET_OFF_WORDS: Record<SetOff, string> = {
  nothing: "All text",
  paragraph: "Paragraph",
  sentence: "Sentence",
};

/** How the text looks while one writes; every change shows at once. */
export function ComfortPanel({ trigger }: { trigger?: ReactElement }) {
  const comfort = useComfort();
  const { view } = useSpot.getState();
  return (
    <Popover.Root>
      <Popover.Trigger asChild>
        {trigger ?? (
          <RoundButton name="How the text looks" shown="hidden md:grid">
            <Glasses size={17} strokeWidth={1.6} aria-hidden="true" />
          </RoundButton>
        )}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={6}
          collisionPadding={12}
          aria-label="How the text looks"
          onCloseAutoFocus={(event) => {
            if (!view) return;
            event.preventDefault();
            backToText(view);
          }}
          className="z-40 max-h-[min(640px,var(--radix-popover-content-available-height))] w-80 space-y-4 overflow-auto rounded-xl border border-line bg-sheet p-4 shadow-lg"
        >
          <Choice
            label="Theme"
            all={THEMES}
            words={THEME_WORDS}
            value={comfort.theme}
            onChoose={(theme) => setComfort({ theme })}
          />
          <Choice
            label="Typeface"
            all={FACES}
            words={FACE_WORDS}
            value={comfort.face}
            onChoose={(face) => setComfort({ face })}
          />
          <Slide
            label="Size"
            value={comfort.size}
            limits={LIMITS.size}
            told={`${comfort.size} px`}
            onSlide={(size) => setComfort({ size })}
          />
          <Slide
            label="Line spacing"
            value={comfort.leading}
            limits={LIMITS.leading}
            told={comfort.leading.toFixed(2)}
            onSlide={(leading) => setComfort({ leading })}
          />
          <Slide
            label="Letters in a line"
            value={comfort.measure}
            limits={LIMITS.measure}
            told={`about ${comfort.measure}`}
            onSlide={(measure) => setComfort({ measure })}
          />
          <div className="space-y-3 border-t border-line pt-4">
            <Choice
              label="Stays clear while writing"
              all={SET_OFF}
              words={SET_OFF_WORDS}
              value={comfort.setOff}
              onChoose={(setOff) => setComfort({ setOff })}
            />
            <Tick checked={comfort.line !== null} onTick={(isHeld) => setComfort({ line: isHeld ? 0.5 : null })}>
              Hold the typed line at one height
            </Tick>
            {comfort.line !== null && (
              <Slide
                label="Its height"
                value={comfort.line}
                limits={LIMITS.line}
                told={`${Math.round(comfort.line * 100)} % down`}
                onSlide={(line) => setComfort({ line })}
              />
            )}
            <Tick checked={comfort.notes} onTick={(notes) => setComfort({ notes })}>
              Notes beside the text
            </Tick>
            <Tick checked={comfort.signs} onTick={(signs) => setComfort({ signs })}>
              Quotes and dashes of the language
            </Tick>
            <Tick checked={comfort.lineSigns} onTick={(lineSigns) => setComfort({ lineSigns })}>
              Signs at a line’s head make lists and headings
            </Tick>
            <Tick checked={comfort.invisibles} onTick={(invisibles) => setComfort({ invisibles })}>
              Show paragraph ends, breaks, tabs and fixed blanks
            </Tick>
            <Tick checked={comfort.byHand} onTick={(byHand) => setComfort({ byHand })}>
              Mark what is shaped by hand
            </Tick>
          </div>
          <div className="flex flex-wrap gap-x-4 gap-y-1 border-t border-line pt-3">
            <Popover.Close asChild>
              <button type="button" className={LINK} onClick={() => setQuiet(true)}>
                Only the text ({labelled("quiet").keys})
              </button>
            </Popover.Close>
            <button type="button" className={LINK} onClick={() => setComfort({ ...USUAL, theme: comfort.theme })}>
              Reset
            </button>
          </div>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

const LINK = "rounded text-stem hover:underline";

function Choice<T extends string>({
  label,
  all,
  words,
  value,
  onChoose,
}: {
  label: string;
  all: readonly T[];
  words: Record<T, string>;
  value: T;
  onChoose: (value: T) => void;
}) {
  return (
    <fieldset>
      <legend className="mb-1 text-xs font-semibold text-stem">{label}</legend>
      <div className="flex flex-wrap gap-1">
        {all.map((each) => (
          <label
            key={each}
            className={cx(
              "grow basis-[4.5rem] cursor-pointer rounded-lg border px-1.5 py-1 text-center text-xs whitespace-nowrap has-focus-visible:outline-2 has-focus-visible:outline-offset-2 has-focus-visible:outline-stem",
              each === value ? "border-stem bg-wash font-medium text-stem" : "border-line text-soft hover:text-ink",
            )}
          >
            <input
              type="radio"
              name={label}
              checked={each === value}
              onChange={() => onChoose(each)}
              className="sr-only"
            />
            {words[each]}
          </label>
        ))}
      </div>
    </fieldset>
  );
}

function Slide({
  label,
  value,
  limits,
  told,
  onSlide,
}: {
  label: string;
  value: number;
  limits: { least: number; most: number; step: number };
  told: string;
  onSlide: (value: number) => void;
}) {
  return (
    <div>
      <p aria-hidden="true" className="flex justify-between text-xs">
        <span className="font-semibold text-stem">{label}</span>
        <span className="text-faint tabular-nums">{told}</span>
      </p>
      <input
        type="range"
        aria-label={label}
        aria-valuetext={told}
        min={limits.least}
        max={limits.most}
        step={limits.step}
        value={value}
        onChange={(event) => onSlide(event.target.valueAsNumber)}
        className="mt-1 block w-full accent-stem"
      />
    </div>
  );
}
