// Many editors on several jobs of a running server, THOUGHT ms between two edits, a second unless told: what is lost, and how long each
// waits. Each editor of a job moves a box of a room of its own, as people on one house do.
//   THOUGHT=1000 node bench/crowd.mjs http://127.0.0.1:5080 EDITORS JOBS [SECONDS] [PID]
import { readFileSync } from "node:fs";
import { Editor } from "./editor.mjs";

const [base, editors, jobs, seconds = 60] = [process.argv[2], ...process.argv.slice(3, 6).map(Number)];
const pid = process.argv[6];
const thought = Number(process.env.THOUGHT ?? 1000);
const memory = () => (pid ? Math.round(Number(readFileSync(`/proc/${pid}/status`, "utf8").match(/VmRSS:\s+(\d+)/)[1]) / 1024) : NaN);

async function bring() {
  const page = await fetch(`${base}/`);
  const cookie = page.headers
    .getSetCookie()
    .map((c) => c.split(";")[0])
    .join("; ");
  const form = new FormData();
  form.set("__RequestVerificationToken", (await page.text()).match(/name="__RequestVerificationToken" type="hidden" value="([^"]+)/)[1]);
  form.set("file", new Blob([readFileSync(new URL("../demo/fernhollow.circuitum.json", import.meta.url))]), "job.circuitum.json");
  const answer = await fetch(`${base}/?handler=Bring`, { method: "POST", body: form, headers: { cookie }, redirect: "manual" });
  return answer.headers.get("location").split("/")[2];
}

// A receptacle each in eight rooms of the demo, on walls that are clear from 14 to 73 in.
const boxes = ["f-r2", "b2-r3", "s-r3", "b3-r1", "p-r1", "gm-r3", "h-r1", "b4-r1"];

const before = memory();
const keys = [];
for (let i = 0; i < jobs; i++) keys.push(await bring());
const until = performance.now() + seconds * 1000;
const times = [];
const statuses = {};
let top = memory();
const sleep = (ms) => new Promise((done) => setTimeout(done, ms));

async function work(n) {
  await sleep(Math.random() * thought);
  const editor = await Editor.at(base, keys[n % jobs]);
  editor.own = boxes[Math.floor(n / jobs) % boxes.length];
  for (let i = n; performance.now() < until; i++) {
    const { status, took } = await editor.edit(i, editor.own);
    times.push(took);
    statuses[status] = (statuses[status] ?? 0) + 1;
    if (status === 409) await editor.look();
    if (n === 0) top = Math.max(top, memory());
    await sleep(thought * (0.5 + Math.random()));
  }
  return editor;
}

const all = await Promise.all(Array.from({ length: editors }, (_, n) => work(n)));
let lost = 0;
for (const key of keys) {
  const acknowledged = all
    .filter((e) => e.job === key)
    .flatMap((e) => e.acknowledged.map(([revision, offset]) => [revision, offset, e.own]))
    .sort((a, b) => a[0] - b[0]);
  const file = await (await fetch(`${base}/job/${key}/file/job.circuitum.json`)).json();
  // Numbers without a gap from 2 on, each acknowledged once, and the newest of each box is what stands.
  for (const box of boxes) {
    const inches = file.job.boxes.find((b) => b.id === box).offset.match(/^(?:(\d+)')?-?(?:(\d+)")?$/);
    const last = acknowledged.findLast(([, , of]) => of === box);
    if (last && Number(inches[1] ?? 0) * 12 + Number(inches[2] ?? 0) !== last[1]) lost++;
  }

  lost += acknowledged.filter(([revision], i) => revision !== i + 2).length;
}
times.sort((a, b) => a - b);
const at = (share) => Math.round(times[Math.min(times.length - 1, Math.floor(times.length * share))]);
console.log(
  `${editors} editors on ${jobs} jobs, ${seconds} s: ${(times.length / seconds).toFixed(1)} edits/s` +
    `, p50 ${at(0.5)} ms, p95 ${at(0.95)} ms, p99 ${at(0.99)} ms, lost ${lost}; ${JSON.stringify(statuses)}`,
);
if (pid) console.log(`memory ${before} MB before, ${top} at most, ${memory()} after`);
