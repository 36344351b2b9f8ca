// One editor of one job over HTTP: it keeps the cookie, the token and the revision of the page it looks at.
import { whole } from "../src/Circuitum.Web/wwwroot/js/answers.js";

export class Editor {
  static async at(base, job) {
    const editor = new Editor();
    Object.assign(editor, { base, job, stage: "boxes", acknowledged: [] });
    await editor.look();
    return editor;
  }

  async look() {
    const page = await fetch(`${this.base}/job/${this.job}/${this.stage}`, { headers: this.cookie ? { cookie: this.cookie } : {} });
    const set = page.headers
      .getSetCookie()
      .map((c) => c.split(";")[0])
      .join("; ");
    this.cookie = set || this.cookie;
    this.take(await page.text());
    return page.status;
  }

  take(html) {
    this.token = html.match(/RequestVerificationToken(?:&quot;|"):(?:&quot;|")([^"&]+)/)?.[1] ?? this.token;
    this.revision = html.match(/data-revision="(\d+)"/)?.[1] ?? this.revision;
    this.box ??= html.match(/data-(?:row|key|box-id)="([\w-]+)"/)?.[1];
  }

  post(handler, fields, from = this.revision) {
    return fetch(`${this.base}/job/${this.job}/${this.stage}?handler=${handler}`, {
      method: "POST",
      headers: {
        "HX-Request": "true",
        RequestVerificationToken: this.token,
        cookie: this.cookie,
        "accept-encoding": "gzip",
        "Bench-Of": this.had ?? "none",
        "content-type": "application/x-www-form-urlencoded",
      },
      body: new URLSearchParams({ from, ...fields }),
    });
  }

  /** Moves one box; what came of it and how long it took, from request sent to the answer received whole. */
  async edit(i, box = "f-r2") {
    const started = performance.now();
    const offset = 14 + (i % 60);
    const answer = await this.post("Move", { box, offset: `${offset}"` });
    const sent = await answer.text();
    const took = performance.now() - started;
    const text = answer.headers.has("Bench-Of") ? whole(JSON.parse(sent), this.last) : sent;
    this.had = answer.headers.get("Bench-Is") ?? this.had;
    if (answer.headers.has("Bench-Is")) this.last = text;
    if (answer.status === 200) {
      this.take(text);
      this.acknowledged.push([Number(this.revision), offset]);
    }
    return { status: answer.status, took, text };
  }
}
