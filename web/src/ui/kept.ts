/** What somebody chose on this device and finds again: shown or hidden, never work. Not kept where the browser forbids it. */
export const kept = {
  read(name: string): string | null {
    try {
      return localStorage.getItem(`prantel.${name}`);
    } catch {
      return null;
    }
  },
  write(name: string, value: string): void {
    try {
      localStorage.setItem(`prantel.${name}`, value);
    } catch {
      // it is asked again next time
    }
  },
};
