// An hour of one editor's edits, one a second, as fast as they are answered: memory and times while they go on.
//   node bench/soak.mjs http://127.0.0.1:5080 PID [EDITS]
import { readFileSync } from "node:fs";
import { Editor } from "./editor.mjs";

const [base, pid, edits = 3600] = [process.argv[2], process.argv[3], ...process.argv.slice(4, 5).map(Number)];
const memory = () => Math.round(Number(readFileSync(`/proc/${pid}/status`, "utf8").match(/VmRSS:\s+(\d+)/)[1]) / 1024);
const editor = await Editor.at(base, "demo");
const parts = 6;
for (let part = 1, i = 0; part <= parts; part++) {
  const times = [];
  for (; i < (edits * part) / parts; i++) {
    const { status, took } = await editor.edit(i);
    if (status !== 200) throw new Error(`edit ${i}: ${status}`);
    times.push(took);
  }
  times.sort((a, b) => a - b);
  const at = (share) => times[Math.floor(times.length * share)].toFixed(1);
  console.log(`${i} edits: ${memory()} MB, median ${at(0.5)} ms, 95th percentile ${at(0.95)} ms`);
}
