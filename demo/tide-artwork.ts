/** Icons of Jelly Drift, Crab Catch and Tide Card, as SVG. */

const svg = (body: string): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="512" height="512" viewBox="0 0 512 512">${body}</svg>`;

export const jellyIcon = (): string => {
  const arms = [-78, -40, 0, 40, 78]
    .map(
      (x, i) =>
        `<path d="M${256 + x} 286 q ${18 * (i % 2 ? 1 : -1)} 50 0 92 t ${8 * (i % 2 ? -1 : 1)} ${50 + 14 * (i % 3)}" fill="none" stroke="#cfe9ff" stroke-width="13" stroke-linecap="round" opacity="0.85"/>`,
    )
    .join('');
  return svg(
    `<defs><radialGradient id="b" cx="0.5" cy="0.3" r="0.8"><stop offset="0" stop-color="#f1fbff"/><stop offset="1" stop-color="#7fb2e6"/></radialGradient></defs>` +
      `<rect width="512" height="512" fill="#1b3350"/><circle cx="256" cy="230" r="180" fill="#26486e"/>${arms}` +
      `<path d="M126 292 C126 168 190 108 256 108 S386 168 386 292 Q 353 268 321 292 Q 288 268 256 292 Q 224 268 191 292 Q 159 268 126 292Z" fill="url(#b)"/>`,
  );
};

export const tideIcon = (): string =>
  svg(
    `<rect width="512" height="512" fill="#f1e6d2"/><path d="M286 150 L512 60 V250Z" fill="#ffe08a" opacity="0.8"/>` +
      `<path d="M222 380 L236 170 H290 L304 380Z" fill="#ffffff"/><path d="M229 290 h68 l4 56 h-76Z M233 210 h60 l3 46 h-66Z" fill="#b23a32"/>` +
      `<rect x="230" y="128" width="66" height="46" rx="6" fill="#1d2327"/><rect x="242" y="136" width="42" height="30" fill="#ffd65c"/><path d="M224 130 L263 94 L302 130Z" fill="#b23a32"/>` +
      `<path d="M0 392 Q64 360 128 392 T256 392 T384 392 T512 392 V512 H0Z" fill="#0f6b62"/><path d="M0 438 Q64 410 128 438 T256 438 T384 438 T512 438 V512 H0Z" fill="#0a4f49"/>`,
  );

export const crabIcon = (): string => {
  const legs = [-1, 1]
    .map((side) =>
      [0, 1, 2]
        .map(
          (i) =>
            `<path d="M${256 + side * 96} ${300 + i * 22} q ${side * 52} ${6 + i * 8} ${side * (70 - i * 8)} ${52 + i * 10}" fill="none" stroke="#a93a2c" stroke-width="17" stroke-linecap="round"/>`,
        )
        .join(''),
    )
    .join('');
  const claw = (side: number): string =>
    `<path d="M${256 + side * 100} 258 q ${side * 60} -30 ${side * 58} -86" fill="none" stroke="#c94c39" stroke-width="24" stroke-linecap="round"/>` +
    `<path d="M${256 + side * 158} 178 q ${side * -44} -30 ${side * -16} -78 q ${side * 6} 34 ${side * 30} 36 q ${side * 20} -14 ${side * 14} -42 q ${side * 44} 44 ${side * -28} 84Z" fill="#c94c39"/>`;
  return svg(
    `<rect width="512" height="512" fill="#f3e3c3"/><circle cx="256" cy="290" r="178" fill="none" stroke="#0f6b62" stroke-width="18" stroke-dasharray="44 26"/>${legs}${claw(-1)}${claw(1)}` +
      `<ellipse cx="256" cy="292" rx="122" ry="80" fill="#c94c39"/><ellipse cx="256" cy="274" rx="96" ry="46" fill="#dd6a52" opacity="0.7"/>` +
      `<circle cx="218" cy="226" r="22" fill="#fff"/><circle cx="294" cy="226" r="22" fill="#fff"/><circle cx="220" cy="230" r="10" fill="#1d2327"/><circle cx="292" cy="230" r="10" fill="#1d2327"/>` +
      `<path d="M214 324 q 42 30 84 0" fill="none" stroke="#7c2418" stroke-width="10" stroke-linecap="round"/>`,
  );
};
