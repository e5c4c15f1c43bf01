import { defineConfig } from "@playwright/test";

const port = 8199;

/** A server and a database of its own, made anew for each run. */
export default defineConfig({
  testDir: "tests/browser",
  workers: 1,
  // A machine that is busy with something else may miss one deadline; a real fault fails twice.
  retries: 1,
  timeout: 90_000,
  expect: { timeout: 8_000 },
  reporter: [["list"]],
  webServer: { command: `bash tests/browser/serve ${port}`, url: `http://127.0.0.1:${port}/api/ping`, timeout: 60_000, reuseExistingServer: false },
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    actionTimeout: 10_000,
    launchOptions: { executablePath: "/usr/bin/chromium", args: ["--no-sandbox", "--disable-gpu", "--disable-background-networking", "--disable-component-update", "--disable-sync"] },
  },
});
