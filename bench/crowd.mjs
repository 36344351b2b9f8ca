// Many editors on several jobs of a running server, THOUGHT ms between two edits, a second unless told: what is lost, and how long each
// waits.
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
  for (let i = n; performance.now() < until; i++) {
    const { status, took } = await editor.edit(i);
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
    .flatMap((e) => e.acknowledged)
    .sort((a, b) => a[0] - b[0]);
  const file = await (await fetch(`${base}/job/${key}/file/job.circuitum.json`)).json();
  const inches = file.job.boxes.find((b) => b.id === "f-r2").offset.match(/^(?:(\d+)')?-?(?:(\d+)")?$/);
  const last = acknowledged.at(-1);
  // Numbers without a gap from 2 on, each acknowledged once, and the newest is what stands.
  if (last && Number(inches[1] ?? 0) * 12 + Number(inches[2] ?? 0) !== last[1]) lost++;
  lost += acknowledged.filter(([revision], i) => revision !== i + 2).length;
}
times.sort((a, b) => a - b);
const at = (share) => Math.round(times[Math.min(times.length - 1, Math.floor(times.length * share))]);
console.log(
  `${editors} editors on ${jobs} jobs, ${seconds} s: ${(times.length / seconds).toFixed(1)} edits/s` +
    `, p50 ${at(0.5)} ms, p95 ${at(0.95)} ms, p99 ${at(0.99)} ms, lost ${lost}; ${JSON.stringify(statuses)}`,
);
if (pid) console.log(`memory ${before} MB before, ${top} at most, ${memory()} after`);
