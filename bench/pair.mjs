// Times edits on the demos of two running servers in turn, edit by edit, so that what the machine does meets both alike:
//   node bench/pair.mjs http://127.0.0.1:5080 http://127.0.0.1:5081 [edits]
import { Editor } from "./editor.mjs";

const [a, b] = await Promise.all([process.argv[2], process.argv[3]].map((base) => Editor.at(base, "demo")));
const edits = Number(process.argv[4] ?? 200);
const times = [[], []];
for (let i = 0; i < edits; i++) {
  for (const [n, editor] of i % 2
    ? [
        [1, b],
        [0, a],
      ]
    : [
        [0, a],
        [1, b],
      ])
    times[n].push((await editor.edit(i)).took);
}

const warm = times.map((t) => t.slice(Math.floor(edits / 5)));
const at = (all, share) => [...all].sort((x, y) => x - y)[Math.min(all.length - 1, Math.floor(all.length * share))];
const ratios = warm[0].map((t, i) => t / warm[1][i]);
for (const [n, t] of warm.entries())
  console.log(`${"AB"[n]}: median ${at(t, 0.5).toFixed(1)} ms, 95th percentile ${at(t, 0.95).toFixed(1)} ms`);
console.log(`A/B pair by pair: median ${at(ratios, 0.5).toFixed(2)}`);
