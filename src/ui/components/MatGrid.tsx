/** Grid of the cutting mat in mm: fine lines each millimetre, stronger each ten. Lies inside an SVG whose unit is mm. */
export function MatGrid({ fine = true }: { fine?: boolean }) {
  return (
    <>
      <defs>
        <pattern id="mat-1" width="1" height="1" patternUnits="userSpaceOnUse">
          <path d="M0,0 H1 M0,0 V1" stroke="#9bada7" strokeWidth="0.06" fill="none" />
        </pattern>
        <pattern id="mat-10" width="10" height="10" patternUnits="userSpaceOnUse">
          <path d="M0,0 H10 M0,0 V10" stroke="#b3c1bc" strokeWidth="0.14" fill="none" />
        </pattern>
      </defs>
      {fine && <rect x="-600" y="-600" width="1200" height="1200" fill="url(#mat-1)" />}
      <rect x="-600" y="-600" width="1200" height="1200" fill="url(#mat-10)" />
    </>
  );
}
