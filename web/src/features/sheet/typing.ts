/** Writes into an input as if it had been typed, so that whoever listens hears it. */
export function typeInto(input: HTMLInputElement, value: string): void {
  const setter = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value")?.set;
  setter?.call(input, value);
  input.dispatchEvent(new Event("input", { bubbles: true }));
}

/** The box after this one on the page, whatever test it belongs to. */
export function nextBox(input: HTMLInputElement): HTMLInputElement | undefined {
  const boxes = [...document.querySelectorAll<HTMLInputElement>("input[data-reading]:not(:disabled)")];
  return boxes[boxes.indexOf(input) + 1];
}
