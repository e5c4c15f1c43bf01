/** Our mark: a stem with two branches. */
export function Emblem({ size = 26 }: { size?: number }) {
  return (
    <svg
      aria-hidden="true"
      width={(size * 22) / 26}
      height={size}
      viewBox="0 0 22 26"
      fill="none"
      className="stroke-stem"
      strokeWidth="1.6"
      strokeLinecap="round"
    >
      <path d="M6 2v22M6 9c0 4 4 4 9 4M6 15c0 4 4 5 9 5" />
      <circle cx="6" cy="3" r="2" className="fill-stem" />
      <circle cx="17" cy="13" r="2" className="fill-paper" />
      <circle cx="17" cy="20" r="2" className="fill-paper" />
    </svg>
  );
}
