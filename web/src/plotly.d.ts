/** The part of Plotly that is used here; the package ships no types. */
declare module 'plotly.js-basic-dist-min' {
  const Plotly: {
    react(element: HTMLElement, traces: readonly object[], layout: object, config: object): Promise<unknown>
    purge(element: HTMLElement): void
  }
  export default Plotly
}
