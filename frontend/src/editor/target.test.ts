import { expect, test } from "vitest";
import { completed, innerId, keptFile, readTarget } from "./target";

test("a place in the document is read by its kind and its id", () => {
  expect(readTarget("section:abcdefghijk1")).toEqual({ kind: "section", id: "abcdefghijk1" });
  expect([innerId("bookmark:abcdefghijk1"), innerId("https://example.org/"), innerId("section:short")]).toEqual([
    "abcdefghijk1",
    null,
    null,
  ]);
});

test("what is no address is none", () => {
  for (const address of [
    "",
    "javascript:alert(1)",
    " data:text/html,x",
    "https://example.org/\n",
    "section:short",
    `https://example.org/${"x".repeat(9000)}`,
  ])
    expect(readTarget(address)).toBeNull();
  for (const address of [
    "https://example.org/",
    "mailto:keeper@example.org",
    "chapter-2.html",
    "#name",
    "doi:10.1000/1",
    "HTTP://example.org",
  ])
    expect(readTarget(address)).toEqual({ kind: "outside", address });
});

test("an address that was typed is made whole", () => {
  expect([
    completed("example.org/a"),
    completed("keeper@example.org"),
    completed("HTTPS://x.org"),
    completed(" https://x.org/@me "),
    completed("x.org/@me"),
  ]).toEqual([
    "https://example.org/a",
    "mailto:keeper@example.org",
    "HTTPS://x.org",
    "https://x.org/@me",
    "https://x.org/@me",
  ]);
});

test("a file that is kept is named and downloaded by its address; another form of it is none", () => {
  const hash = "0".repeat(64);
  expect(keptFile(`kept:${hash}/The%20log.txt`)).toEqual({
    name: "The log.txt",
    url: `/api/files/${hash}/The%20log.txt`,
  });
  expect(readTarget(`kept:${hash}/The%20log.txt`)).toMatchObject({ kind: "outside" });
  for (const other of ["kept:", "kept:abc/x.txt", `kept:${hash}/a b.txt`, `kept:${hash}/`, `KEPT:${hash}/x.txt`])
    expect(readTarget(other), other).toBeNull();
  expect(keptFile("https://example.org/x.txt")).toBeNull();
});
