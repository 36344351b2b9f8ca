// Many phones in one house that send what was ticked while there was no signal, all at once, some of it twice:
//   node bench/phones.mjs http://127.0.0.1:5080 PHONES [ENTRIES EACH]
import { randomUUID } from "node:crypto";

const [base, phones, each = 40] = [process.argv[2], ...process.argv.slice(3, 5).map(Number)];
const job = "demo";
const page = await (await fetch(`${base}/job/${job}/site`)).text();
const revision = Number(page.match(/data-revision="(\d+)"/)[1]);
const subjects = [...page.matchAll(/data-subject="([^"]+)" data-step="Pulled"/g)].map((m) => m[1]);
const times = [];
const statuses = {};
const sent = new Set();
const kept = new Set();

async function send(entries) {
  const from = performance.now();
  const answer = await fetch(`${base}/job/${job}/site/entries`, {
    method: "POST",
    headers: { "Content-Type": "application/json" },
    body: JSON.stringify(entries),
  });
  times.push(performance.now() - from);
  statuses[answer.status] = (statuses[answer.status] ?? 0) + 1;
  if (answer.ok) for (const id of (await answer.json()).kept) kept.add(id);
}

async function phone(n) {
  const entries = Array.from({ length: each }, (_, i) => ({
    id: randomUUID(),
    subject: subjects[(n * 7 + i) % subjects.length],
    step: "Pulled",
    at: new Date().toISOString(),
    revision,
    line: "",
  }));
  for (const { id } of entries) sent.add(id);
  // The answer of the first half is lost on the way: the phone sends all of it again.
  await send(entries.slice(0, each / 2));
  await send(entries);
}

await Promise.all(Array.from({ length: phones }, (_, n) => phone(n)));
const there = (await (await fetch(`${base}/job/${job}/file/site.csv`)).text()).split("\n");
const count = new Map();
for (const line of there.slice(1)) {
  const [id] = line.split(",");
  if (sent.has(id)) count.set(id, (count.get(id) ?? 0) + 1);
}
const lost = [...sent].filter((id) => !count.has(id)).length;
const twice = [...count.values()].filter((n) => n > 1).length;
times.sort((a, b) => a - b);
const at = (share) => Math.round(times[Math.min(times.length - 1, Math.floor(times.length * share))]);
console.log(
  `${phones} phones, ${sent.size} entries: p50 ${at(0.5)} ms, p99 ${at(0.99)} ms; ` +
    `acknowledged ${kept.size}, lost ${lost}, twice ${twice}; ${JSON.stringify(statuses)}`,
);
