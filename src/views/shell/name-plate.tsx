/** The name-plate: the name between two witness lines, the axis through its N. */
export function NamePlate() {
  return (
    <svg viewBox="0 0 112 32" width="112" height="32" role="img" aria-label="Nelvix">
      <path d="M0 16h4.5M12.5 16h4" stroke="var(--tight)" strokeWidth="1.4" />
      <g fill="none" stroke="currentColor" strokeWidth="2.5" strokeLinejoin="miter">
        <path d="M6 24V8l13 16V8" />
        <path d="M36.500 24H27V8h9.500M27 16h7.500" />
        <path d="M43 7v17h9" />
        <path d="M56 8l6.500 15.500L69 8" />
        <path d="M76 8v16" />
        <path d="M83 8l13 16M96 8L83 24" />
      </g>
      <path d="M98.500 16h4M105 16h7" stroke="var(--tight)" strokeWidth="1.4" />
    </svg>
  );
}
