// The mark: a flower of ten petals. While presenting its petals fill as the
// scene goes on.
export function Flower({ filled = 10, size = 28 }: { filled?: number; size?: number }) {
  return (
    <svg className="flower" width={size} height={size} viewBox="-50 -50 100 100" aria-hidden="true">
      {Array.from({ length: 10 }, (_, i) => (
        <ellipse
          key={i}
          className={i < filled ? 'petal full' : 'petal'}
          rx="9.5"
          ry="17"
          cy="-29"
          transform={`rotate(${i * 36 + 18})`}
        />
      ))}
      <circle className="heart" r="11" />
    </svg>
  );
}
