import type { ReactNode } from 'react';

export interface SignProps {
  size?: number;
}

/** A sign of 24 x 24, drawn with the text's colour. */
const sign = (drawn: ReactNode) =>
  function ToolSign({ size = 17 }: SignProps) {
    return (
      <svg
        width={size}
        height={size}
        viewBox="0 0 24 24"
        fill="none"
        stroke="currentColor"
        strokeWidth={1.8}
        strokeLinecap="round"
        strokeLinejoin="round"
        aria-hidden="true"
      >
        {drawn}
      </svg>
    );
  };

/** A line of stitches. */
export const RunSign = sign(<path d="M3 17 C8 3 15 21 21 7" strokeDasharray="4 3" />);

/** Two sides with rows between them. */
export const SatinSign = sign(
  <>
    <path d="M3 9 C9 3 15 3 21 9 M3 19 C9 13 15 13 21 19" />
    <path d="M6.5 7 V16 M9.5 5.6 V14.6 M12.5 5.2 V14 M15.5 6 V14.8 M18.3 7.4 V16.6" strokeWidth={1.2} />
  </>,
);

/** A closed outline filled with rows. */
export const AreaSign = sign(
  <>
    <path d="M5 6 C9 1 18 3 20 9 C22 16 16 21 10 20 C4 19 2 11 5 6 Z" />
    <path d="M6.5 8 H17.5 M5.5 12 H18.5 M7 16 H17" strokeWidth={1.2} />
  </>,
);

/** An outline with its nodes. */
export const NodesSign = sign(
  <>
    <path d="M5 18 C6 8 12 5 19 6" />
    <path d="M3 16 h4 v4 h-4 Z M17 4 h4 v4 h-4 Z M8 7 h4 v4 h-4 Z" fill="#fff" />
  </>,
);

/** Rows with one slant across them. */
export const SlantSign = sign(
  <>
    <path d="M3 6 L9 4 M3 11 L12 8 M4 16 L15 12 M8 20 L19 16" strokeWidth={1.2} />
    <path d="M7 21 L18 3" />
  </>,
);

/** Where the needle comes in, and where it leaves. */
export const EndsSign = sign(
  <>
    <circle cx="5" cy="17" r="2.6" />
    <path d="M7.5 15.5 C11 9 13 17 17.5 9 M16 5 L21 9" />
  </>,
);

/** An edge that is drawn outwards. */
export const EdgeSign = sign(
  <>
    <path d="M4 4 V20 M10 4 C10 9 15 9 15 12 C15 15 10 15 10 20" />
    <path d="M17 12 H22 M20 10 L22 12 L20 14" strokeWidth={1.4} />
  </>,
);
