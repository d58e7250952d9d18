const [WIDTH, HEIGHT] = [1200, 900];

const jar = (x: number, y: number, scale: number): string => `
  <g transform="translate(${x} ${y}) scale(${scale})">
    <path d="M24 22h52v6c0 8 14 8 14 22v72a12 12 0 0 1-12 12H22a12 12 0 0 1-12-12V50c0-14 14-14 14-22z" fill="url(#in)" stroke="#fff8" stroke-width="2"/>
    <path d="M18 58v58" stroke="#fff7" stroke-width="5" stroke-linecap="round"/>
    <rect x="18" y="4" width="64" height="17" rx="4" fill="#a9531f"/>
    <rect x="26" y="72" width="48" height="30" rx="3" fill="#fffcf6"/>
    <path d="M32 82h34M32 90h22" stroke="#6d5a62" stroke-width="2.5"/>
  </g>`;

/**
 * Three jars on a window sill, drawn for the demo household: a picture of nothing real.
 * @param colour of what is in them
 */
export async function drawnJars(colour: string): Promise<Buffer> {
  const { default: sharp } = await import('sharp');
  return sharp(
    Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" width="${WIDTH}" height="${HEIGHT}">
  <defs>
    <linearGradient id="sky" x1="0" y1="0" x2="0" y2="1"><stop offset="0" stop-color="#dfe9ea"/><stop offset="1" stop-color="#fbf1dc"/></linearGradient>
    <radialGradient id="in" cx="0.42" cy="0.4" r="0.8"><stop offset="0" stop-color="${colour}" stop-opacity="0.72"/><stop offset="1" stop-color="${colour}"/></radialGradient>
  </defs>
  <rect width="100%" height="100%" fill="url(#sky)"/>
  <path d="M0 600 Q300 480 620 570 T1200 520 V760 H0z" fill="#9db58d"/>
  <path d="M600 0V720M0 330H1200" stroke="#f3eada" stroke-width="26"/>
  <rect y="715" width="1200" height="185" fill="#c79a6b"/><rect y="715" width="1200" height="14" fill="#dcb488"/>
  ${jar(190, 330, 3.1)}${jar(470, 258, 3.7)}${jar(800, 365, 2.8)}
</svg>`),
  )
    .jpeg({ quality: 90 })
    .toBuffer();
}
