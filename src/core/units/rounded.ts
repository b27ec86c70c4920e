/** A length or a place as records keep it, to a thousandth. */
export const toThousandths = (v: number): number => Math.round(v * 1000) / 1000;
