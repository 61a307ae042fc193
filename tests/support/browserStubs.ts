/** What the simulated browser of the tests lacks and parts ask for; nothing of it is looked at. */
class NoResizes {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
}
globalThis.ResizeObserver ??= NoResizes;
