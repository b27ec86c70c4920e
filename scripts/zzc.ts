import { readEmblem, pictureOf, WIDTH_MM } from '../tests/tracing/emblem';
import { trace } from '../src/core/tracing/trace';
for (const spec of process.argv.slice(2)) { const [n,px,j]=spec.split(','); const e = await readEmblem(`/tmp/sets/all/${n}.svg`);
 const t = trace(await pictureOf(e,{name:'',pixelsPerMm:+px!,...(j?{jpeg:75}:{})} as never),{widthMm:WIDTH_MM,wholePage:true});
 console.log(n, px, 'source', JSON.stringify((e as any).colours), 'found', t.colours.map(c=>c.hex+' '+c.share.toFixed(4)).join('  ')); }
