// What axe finds wrong on a page. It runs in the page itself and keeps no account of what is right: for the thousands of shapes of a
// plan that account takes several times as long as the rules. No page here has frames.
import AxeBuilder from "@axe-core/playwright";

/** Every level that is held to, and what is good practice beside. */
export const everything = ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa", "best-practice"];

/** Each fault as a line: the rule, and where it is broken. */
export async function faults(page, tags) {
  const axe = new AxeBuilder({ page }).options({ resultTypes: ["violations"] }).setLegacyMode();
  const { violations } = await (tags ? axe.withTags(tags) : axe).analyze();
  return violations.map((v) => `${v.id}: ${v.nodes.slice(0, 3).map((n) => n.target.join(" ")).join(" | ")}`);
}
