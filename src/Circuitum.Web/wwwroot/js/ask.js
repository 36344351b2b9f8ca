// The bench as it stands now, and the two ways to ask the server for another one.
export const bench = () => document.getElementById("bench");

/** Shows another view of the bench. */
export function show(href) {
  return window.htmx.ajax("GET", href, { source: "#bench", target: "#bench", swap: "outerMorph", push: href });
}

/** Does one thing to the job, from the revision that is on the page. */
export function act(href, values = {}) {
  return window.htmx.ajax("POST", href, { source: "#bench", target: "#bench", swap: "outerMorph", values: { from: bench().dataset.revision, ...values } });
}
