// The bench as it stands now, and the two ways to ask the server for another one. They ask from an empty element, so that what
// stands half typed in the fields of a card is not sent along.
export const bench = () => document.getElementById("bench");

/** Shows another view of the bench. */
export function show(href) {
  return window.htmx.ajax("GET", href, { source: "#ask", target: "#bench", swap: "outerMorph", push: href });
}

/** Asks for the bench as it is now, at the same place. */
export function refresh() {
  return window.htmx.ajax("GET", location.pathname + location.search, { source: "#ask", target: "#bench", swap: "outerMorph" });
}

/** Does one thing to the job, from the revision that is on the page; what is named after it is selected. */
export function act(handler, values = {}, on = bench().dataset.selected) {
  const { job, stage, level, revision } = bench().dataset;
  const query = new URLSearchParams({ level, handler });
  if (on) query.set("on", on);
  return window.htmx.ajax("POST", `/job/${job}/${stage}?${query}`, {
    source: "#ask",
    target: "#bench",
    swap: "outerMorph",
    values: { from: revision, ...values },
  });
}
