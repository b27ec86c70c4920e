// Draws the picture of the demo job that begins with one, as a customer would send it: a photo of a sheet, a little turned, the paper not
// quite white, with noise, as JPEG. `node scripts/demoPicture.mjs public/demo/mouse.jpg`
import sharp from 'sharp';

const DRAWN = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 120 100" width="1200" height="1000">
  <rect width="120" height="100" fill="#efe9dc"/>
  <g transform="rotate(-3 60 50)">
    <circle cx="60" cy="50" r="40" fill="#24544f"/>
    <path d="M28 62C26 48 36 38 50 37C62 34 82 36 90 46C95 53 94 60 92 64C74 69 46 69 28 62Z" fill="#d9983f"/>
    <path d="M42 46C46 44 50 47 51 52M56 43C60 42 64 45 65 50M70 43C74 43 77 46 78 51" fill="none" stroke="#f3dfae" stroke-width="3.4" stroke-linecap="round"/>
    <path d="M24 68H96V74C96 76 94 77 92 77H28C26 77 24 76 24 74Z" fill="#7a4526"/>
    <path d="M78 68C74 56 80 48 87 50C93 49 99 58 96 68Z" fill="#a9b2b4"/>
    <circle cx="81" cy="49" r="4.6" fill="#a9b2b4"/>
    <circle cx="81" cy="49" r="2.6" fill="#e6a59c"/>
    <circle cx="93" cy="50" r="4.2" fill="#a9b2b4"/>
    <circle cx="93" cy="50" r="2.3" fill="#e6a59c"/>
    <circle cx="84.6" cy="57.6" r="0.75" fill="#1d282c"/>
    <circle cx="90.4" cy="57.8" r="0.75" fill="#1d282c"/>
    <circle cx="87.6" cy="62" r="1" fill="#e6a59c"/>
    <path d="M44 31C41 27 47 25 44 20M58 29C55 25 61 23 58 18" fill="none" stroke="#efe9dc" stroke-width="2.4" stroke-linecap="round"/>
  </g>
  <circle cx="12" cy="88" r="0.5" fill="#5c5850"/>
</svg>`;

const NOISE = 5;
let seed = 20261;
const chance = () => (seed = (seed * 1103515245 + 12345) % 2147483648) / 2147483648;

const { data, info } = await sharp(Buffer.from(DRAWN))
  .flatten()
  .blur(0.7)
  .toColourspace('srgb')
  .raw({ depth: 'uchar' })
  .toBuffer({ resolveWithObject: true });
for (let i = 0; i < data.length; i++) data[i] = Math.max(0, Math.min(255, data[i] + Math.round((2 * chance() - 1) * NOISE)));
await sharp(data, { raw: info }).jpeg({ quality: 84 }).toFile(process.argv[2]);
