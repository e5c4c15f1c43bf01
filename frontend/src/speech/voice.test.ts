// @vitest-environment jsdom
import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { silentVoice } from "./voice";

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

test("the stand-in goes from word to word at its speed, pauses, goes on and ends", () => {
  const voice = silentVoice(60);
  const heard: number[] = [];
  const onEnd = vi.fn();
  voice.say("One, two three.", { language: "en", rate: 2, onWord: (at) => heard.push(at), onEnd });
  expect(heard).toEqual([0]);
  vi.advanceTimersByTime(500);
  expect(heard).toEqual([0, 5]);
  voice.pause();
  vi.advanceTimersByTime(5000);
  expect(heard).toEqual([0, 5]);
  voice.resume();
  expect(heard).toEqual([0, 5, 9]);
  vi.advanceTimersByTime(500);
  expect(onEnd).toHaveBeenCalledOnce();
  voice.say("Four five", { language: "en", rate: 1, onWord: (at) => heard.push(at), onEnd });
  voice.stop();
  vi.advanceTimersByTime(5000);
  expect(heard).toEqual([0, 5, 9, 0]);
  expect(onEnd).toHaveBeenCalledOnce();
});
