import type { Reach } from "./commands";

export const GROUPS: readonly { reach: Reach; title: string }[] = [
  { reach: "anywhere", title: "Anywhere in a document" },
  { reach: "outline", title: "In the outline and in Arrange" },
  { reach: "strata", title: "In Strata, besides those of the outline" },
  { reach: "text", title: "In the text" },
];
