import type { GarmentMeasures } from './sizes';

/** A garment as it is drawn: lines in mm, x to the right as seen, y down. */
export interface GarmentOutline {
  /** Closed; filled with the cloth. */
  body: string[];
  /** Seams, hems and folds. */
  seams: string[];
}

/** The front of a shirt; the origin is the lowest point of its collar. @param opens a placket with buttons */
export function shirtFront({ chest, length, shoulder, neck, drop, sleeve }: GarmentMeasures, opens: boolean): GarmentOutline {
  const tip = -drop + 34;
  const [cuffX, cuffY] = [shoulder + 0.66 * sleeve, tip + 0.75 * sleeve];
  const cuff = 0.62 * sleeve;
  const [inX, inY] = [Math.max(cuffX - 0.72 * cuff, chest + 14), cuffY + 0.42 * cuff];
  const under = tip + 0.66 * sleeve;
  const side = (s: 1 | -1): string =>
    `L${s * shoulder},${tip} L${s * cuffX},${cuffY} L${s * inX},${inY} L${s * chest},${under} L${s * chest},${length}`;
  const back = (s: 1 | -1): string =>
    `L${s * chest},${length} L${s * chest},${under} L${s * inX},${inY} L${s * cuffX},${cuffY} L${s * shoulder},${tip}`;
  const body = `M${-neck},${-drop} C${-0.8 * neck},${-0.25 * drop} ${-0.45 * neck},0 0,0 C${0.45 * neck},0 ${0.8 * neck},${-0.25 * drop} ${neck},${-drop} ${side(1)} ${back(-1)} Z`;
  const armhole = (s: 1 | -1): string =>
    `M${s * shoulder},${tip} C${s * (shoulder - 26)},${tip + 0.3 * sleeve} ${s * (chest - 26)},${under - 0.25 * sleeve} ${s * chest},${under}`;
  const hem = (s: 1 | -1): string => `M${s * (cuffX - 8)},${cuffY - 9} L${s * (inX - 8)},${inY - 8}`;
  const collar = `M${-neck},${-drop} Q0,${-drop - 22} ${neck},${-drop}`;
  const placket = ['M-15,0 V150 H15 V0', 'M0,45 h0.1', 'M0,95 h0.1'];
  return {
    body: [body],
    seams: [armhole(1), armhole(-1), hem(1), hem(-1), collar, `M${-chest},${length - 18} H${chest}`, ...(opens ? placket : [])],
  };
}

/** The back of a jacket; the origin is the middle of its collar's seam. */
export function jacketBack({ chest, length, shoulder, neck, sleeve }: GarmentMeasures): GarmentOutline {
  const [w, tip, arm] = [chest + 25, 42, 2.3 * sleeve];
  const hem = length + 20;
  const armhole = 0.95 * sleeve;
  const edge = (s: 1 | -1): string[] => [
    `${s * (shoulder + 10)},${tip}`,
    `${s * (shoulder + 0.42 * arm)},${tip + 0.9 * arm}`,
    `${s * (shoulder + 0.42 * arm - 78)},${tip + 0.9 * arm + 26}`,
    `${s * w},${tip + armhole}`,
    `${s * w},${hem}`,
  ];
  const body = `M${-neck},0 Q0,10 ${neck},0 L${edge(1).join(' L')} L${edge(-1).reverse().join(' L')} Z`;
  const seam = (s: 1 | -1): string =>
    `M${s * (shoulder + 10)},${tip} C${s * (shoulder - 14)},${tip + 0.4 * armhole} ${s * (w - 26)},${tip + 0.8 * armhole} ${s * w},${tip + armhole}`;
  return {
    body: [body, `M${-neck},0 Q0,10 ${neck},0 L${neck - 8},-34 Q0,-28 ${-neck + 8},-34 Z`],
    seams: [seam(1), seam(-1), `M${-w},${hem - 55} H${w}`],
  };
}

/** The front of a cap as the hoop sees it; the origin is where the middle seam meets the brim. */
export function capFront(): GarmentOutline {
  const crown = 'M-92,0 C-92,-75 -55,-120 0,-120 C55,-120 92,-75 92,0 Q0,-14 -92,0 Z';
  const brim = 'M-92,0 Q0,-14 92,0 C96,34 60,62 0,62 C-60,62 -96,34 -92,0 Z';
  return {
    body: [crown, brim],
    seams: ['M0,-120 V-7', 'M-46,-112 C-62,-80 -66,-40 -62,-5', 'M46,-112 C62,-80 66,-40 62,-5', 'M-4,-121 h8'],
  };
}

/** A sleeve laid flat, its fold in the middle; the origin is the middle of its hem. */
export function flatSleeve({ sleeve }: GarmentMeasures): GarmentOutline {
  const [half, top] = [0.62 * sleeve, 0.95 * sleeve];
  return {
    body: [
      `M${-half},0 L${-1.15 * half},${-0.45 * top} C${-0.7 * half},${-0.62 * top} ${-0.4 * half},${-top} 0,${-top} C${0.4 * half},${-top} ${0.7 * half},${-0.62 * top} ${1.15 * half},${-0.45 * top} L${half},0 Z`,
    ],
    seams: [`M${-1.02 * half},-18 H${1.02 * half}`, `M0,0 V${-top}`],
  };
}

/** An apron; the origin is the middle of the bib's upper hem. */
export function apronFront({ width, height }: { width: number; height: number }): GarmentOutline {
  const half = width / 2;
  const skirt = half + 150;
  return {
    body: [
      `M${-half},0 H${half} C${half + 10},${0.7 * height} ${skirt},${0.8 * height} ${skirt},${height} V${height + 360} H${-skirt} V${height} C${-skirt},${0.8 * height} ${-half - 10},${0.7 * height} ${-half},0 Z`,
    ],
    seams: [
      `M${-half},22 H${half}`,
      `M${-half + 6},0 C${-half},-150 ${half},-150 ${half - 6},0`,
      `M${-skirt},${height + 30} h-60`,
      `M${skirt},${height + 30} h60`,
    ],
  };
}
