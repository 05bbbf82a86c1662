/** What a page asks of a browser and jsdom lacks. */
export function asInBrowser(): void {
  class Watch {
    observe(): void {}
    unobserve(): void {}
    disconnect(): void {}
  }
  Object.assign(globalThis, { ResizeObserver: Watch, structuredClone: (x: unknown) => JSON.parse(JSON.stringify(x)) });
  Element.prototype.scrollTo = () => undefined;
}
