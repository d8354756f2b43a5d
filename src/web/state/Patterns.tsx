const tint = (name: string) => `var(--st-${name})`;

/** The patterns of the states, once on a page; drawings fill with `url(#st-…)`. */
export function Patterns() {
  return (
    <svg data-patterns width="0" height="0" aria-hidden="true" focusable="false" className="absolute">
      <defs>
        <pattern id="st-bare" width="8" height="8" patternUnits="userSpaceOnUse">
          <rect width="8" height="8" fill="var(--board)" />
        </pattern>
        <pattern
          id="st-too-soon"
          width="7"
          height="7"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <rect width="7" height="7" fill={tint('too-soon')} opacity="0.22" />
          <rect width="2" height="7" fill={tint('too-soon')} />
        </pattern>
        <pattern id="st-thumb" width="7" height="7" patternUnits="userSpaceOnUse">
          <rect width="7" height="7" fill={tint('thumb')} opacity="0.3" />
          <circle cx="3.5" cy="3.5" r="2" fill={tint('thumb')} />
        </pattern>
        <pattern id="st-open" width="8" height="8" patternUnits="userSpaceOnUse">
          <rect width="8" height="8" fill={tint('open')} opacity="0.75" />
        </pattern>
        <pattern
          id="st-key-first"
          width="8"
          height="8"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <rect width="8" height="8" fill={tint('key-first')} opacity="0.22" />
          <path d="M0 4h8M4 0v8" stroke={tint('key-first')} strokeWidth="1.6" />
        </pattern>
        <pattern id="st-keyed" width="8" height="6" patternUnits="userSpaceOnUse">
          <rect width="8" height="6" fill={tint('keyed')} opacity="0.4" />
          <path d="M0 5l4-4l4 4" fill="none" stroke={tint('keyed')} strokeWidth="1.8" />
        </pattern>
        <pattern id="st-closed" width="6" height="6" patternUnits="userSpaceOnUse">
          <rect width="6" height="6" fill={tint('closed')} opacity="0.35" />
          <path d="M0 3h6" stroke={tint('closed')} strokeWidth="2.5" />
        </pattern>
        <pattern id="st-finished" width="10" height="10" patternUnits="userSpaceOnUse">
          <rect width="10" height="10" fill={tint('finished')} opacity="0.35" />
          <circle cx="5" cy="5" r="0.9" fill={tint('finished')} />
        </pattern>
        <pattern id="st-hidden" width="8" height="8" patternUnits="userSpaceOnUse">
          <rect width="8" height="8" fill={tint('hidden')} opacity="0.18" />
          <path d="M0 0l8 8M8 0l-8 8" stroke={tint('hidden')} strokeWidth="1" />
        </pattern>
      </defs>
    </svg>
  );
}
