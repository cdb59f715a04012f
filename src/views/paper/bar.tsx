/** A bar that is as long as it says: whoever holds a ruler to it knows that the printer scaled nothing. */
export function Bar({ mm, said }: { mm: number; said: string }) {
  return (
    <svg className="bar" width={`${mm + 2}mm`} height="8mm" viewBox={`-1 -1 ${mm + 2} 8`}>
      <path data-bar d={`M0 2H${mm}`} stroke="#000" strokeWidth="0.3" />
      <path d={`M0 0V4M${mm} 0V4M${mm / 2} 1V3`} stroke="#000" strokeWidth="0.3" fill="none" />
      <text x="0" y="6.6" fontSize="2.6" fill="#000">
        {said}
      </text>
    </svg>
  );
}
