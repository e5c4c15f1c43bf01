/** Which folder of the screens may know which: see docs/architecture.md. Checked by bin/test. */
export default {
  forbidden: [
    { name: "no circle of files", severity: "error", from: {}, to: { circular: true } },
    { name: "no circle of folders", severity: "error", scope: "folder", from: {}, to: { circular: true } },
    { name: "nothing that is not used", severity: "error", from: { orphan: true, pathNot: "(\\.d\\.ts$|test)" }, to: {} },
    { name: "logic without React", severity: "error", from: { path: "^frontend/src/(outline|editor|api)/" }, to: { path: "^node_modules/react" } },
    { name: "parts know no document", severity: "error", from: { path: "^frontend/src/parts/" }, to: { pathNot: "^(frontend/src/(parts|api)/|node_modules)" } },
    { name: "the document knows no screen", severity: "error", from: { path: "^frontend/src/document/" }, to: { path: "^frontend/src/(window|files|tree|places|faces|tools|manuscript|desk|parts)/" } },
    { name: "only faces are seen by the page", severity: "error", from: { pathNot: "^frontend/src/(faces/|main.tsx)" }, to: { path: "^frontend/src/faces/" } },
  ],
  options: { tsConfig: { fileName: "tsconfig.json" }, tsPreCompilationDeps: true, doNotFollow: { path: "node_modules" } },
};
