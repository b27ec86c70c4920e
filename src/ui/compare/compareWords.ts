/** A setting's name as people read it: `pullComp` is "pull comp", `tieIn` "tie in". */
export const settingWord = (name: string): string =>
  name.replace(/([a-z])([A-Z])/g, (_, a: string, b: string) => `${a} ${b.toLowerCase()}`);
