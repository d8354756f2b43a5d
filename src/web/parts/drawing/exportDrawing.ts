/** A drawing as a file of its own: colours and patterns of the page are written into it, so that it looks the same anywhere. */

/** Every `var(--name)` of the page as the colour it stands for. */
function resolve(text: string): string {
  const style = getComputedStyle(document.documentElement);
  return text.replace(
    /var\((--[\w-]+)\)/g,
    (_, name: string) => style.getPropertyValue(name).trim() || '#000',
  );
}

/** The drawing as stand-alone SVG text. */
export function drawingAsSvg(svg: SVGSVGElement): string {
  const copy = svg.cloneNode(true) as SVGSVGElement;
  const { width = 1000, height = 500 } = svg.viewBox.baseVal;
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  copy.setAttribute('width', String(Math.round(width)));
  copy.setAttribute('height', String(Math.round(height)));
  copy.setAttribute('font-family', 'Archivo, Helvetica, Arial, sans-serif');
  for (const name of ['class', 'role', 'tabindex', 'aria-pressed']) {
    copy.removeAttribute(name);
    for (const element of copy.querySelectorAll(`[${name}]`)) element.removeAttribute(name);
  }
  const patterns = document.querySelector('[data-patterns] defs')?.cloneNode(true);
  if (patterns) copy.prepend(patterns);
  const ground = document.createElementNS('http://www.w3.org/2000/svg', 'rect');
  const box = svg.viewBox.baseVal;
  for (const [name, value] of Object.entries({ x: box.x, y: box.y, width: box.width, height: box.height })) {
    ground.setAttribute(name, String(value));
  }
  ground.setAttribute('fill', 'var(--board)');
  copy.querySelector('defs')?.after(ground);
  return resolve(new XMLSerializer().serializeToString(copy));
}

/** The drawing as a PNG of `width` pixels across. */
export async function drawingAsPng(svg: SVGSVGElement, width = 2400): Promise<Blob> {
  const url = URL.createObjectURL(new Blob([drawingAsSvg(svg)], { type: 'image/svg+xml' }));
  try {
    const image = new Image();
    image.src = url;
    await image.decode();
    const canvas = document.createElement('canvas');
    const { width: w, height: h } = svg.viewBox.baseVal;
    canvas.width = width;
    canvas.height = Math.round((width * h) / w);
    canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height);
    return await new Promise((resolvePng, reject) => {
      canvas.toBlob(
        (blob) => (blob ? resolvePng(blob) : reject(new Error('Couldn’t create the image. Try again.'))),
        'image/png',
      );
    });
  } finally {
    URL.revokeObjectURL(url);
  }
}

/** Hands a file to the person at the screen. */
export function saveFile(name: string, content: Blob): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(content);
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
}
