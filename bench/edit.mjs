// Times edits on the demo of a running server, from request sent to the whole bench received:
//   node bench/edit.mjs http://127.0.0.1:5080 [edits]
const base = process.argv[2] ?? "http://127.0.0.1:5080";
const edits = Number(process.argv[3] ?? 200);
const page = await fetch(`${base}/job/demo/circuits?on=box:f-r2`);
const cookie = page.headers
  .getSetCookie()
  .map((c) => c.split(";")[0])
  .join("; ");
const html = await page.text();
const token = html.match(/RequestVerificationToken(?:&quot;|"):(?:&quot;|")([^"&]+)/)[1];
let revision = html.match(/data-revision="(\d+)"/)[1];
const times = [];
for (let i = 0; i < edits; i++) {
  const started = performance.now();
  const answer = await fetch(`${base}/job/demo/circuits?on=box:f-r2&handler=Move`, {
    method: "POST",
    headers: {
      "HX-Request": "true",
      RequestVerificationToken: token,
      cookie,
      "accept-encoding": "gzip",
      "content-type": "application/x-www-form-urlencoded",
    },
    body: new URLSearchParams({ from: revision, box: "f-r2", offset: `${14 + (i % 60)}"` }),
  });
  const text = await answer.text();
  times.push(performance.now() - started);
  if (answer.status !== 200) throw new Error(`${answer.status}: ${text.slice(0, 200)}`);
  revision = text.match(/data-revision="(\d+)"/)[1];
}
// The first fifth warms the server up.
const warm = times.slice(Math.floor(edits / 5)).sort((a, b) => a - b);
const at = (share) => warm[Math.min(warm.length - 1, Math.floor(warm.length * share))].toFixed(1);
console.log(`${warm.length} edits: median ${at(0.5)} ms, 95th percentile ${at(0.95)} ms; the very first ${times[0].toFixed(0)} ms`);
