/** The mark: an arc of stones, sewn as satin bars. */
export function Mark({ size = 26 }: { size?: number }) {
  return (
    <svg
      width={size}
      height={size}
      viewBox="4 8 24 18"
      aria-hidden="true"
      fill="none"
      stroke="currentColor"
      strokeWidth="3.2"
      strokeLinecap="round"
    >
      <path d="M5.5 22.5l3.4-3.2M9.6 16.2l3.4 3.1M16 13.4v4.6M22.4 16.2L19 19.3M26.5 22.5l-3.4-3.2" />
    </svg>
  );
}
