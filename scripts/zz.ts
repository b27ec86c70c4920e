import { wordPieces } from '../src/core/plan/wordFixtures';
import { jobOf } from '../src/core/pieces/fixtures';
import { proposeRoute, inOrder } from '../src/core/plan/proposeRoute';
import { Planner } from '../src/core/plan/planner';
import { measurePlan } from '../src/core/plan/measure';
let seed = Number(process.argv[2] ?? 1); const rnd = () => ((seed = (seed * 1103515245 + 12345) & 0x7fffffff) / 0x7fffffff);
const ABC='ABCDEFGHIJKLMNOPQRSTUVWXYZ';
const N = Number(process.argv[3] ?? 12);
for (const as of ['outlines', 'bars'] as const) { let tot=0, bef=0; const bad:string[]=[]; let ms=0;
for (let k = 0; k < N; k++) {
  const n = 3 + Math.floor(rnd() * 8); const text = Array.from({length:n},()=>ABC[Math.floor(rnd()*26)]).join('');
  const heightMm = 6 + rnd()*14; const barMm = Math.min(heightMm/5, 1.2 + rnd()*2); const gapMm = .6 + rnd()*1.4;
  const p = wordPieces({ text, heightMm, barMm, gapMm }, as); const order = p.map((_,i)=>i); for(let i=order.length-1;i>0;i--){const j=Math.floor(rnd()*(i+1)); [order[i],order[j]]=[order[j]!,order[i]!];}
  const job = jobOf(as==='outlines' ? order.map(i=>p[i]!) : p);
  const t=performance.now(); const r = proposeRoute(job, 'stops', new Planner()); ms+=performance.now()-t;
  const f = measurePlan(job, new Planner().plan(inOrder(job, r.order)));
  bef+=r.before.trims; tot += f.trims-1; if (f.trims>1) bad.push(`${text}:${f.trims} h${heightMm.toFixed(1)} b${barMm.toFixed(1)} g${gapMm.toFixed(2)}`);
}
console.log(as, 'extra trims', tot, 'before', bef, 'bad', bad.length, 'of', N, (ms/N).toFixed(0)+'ms', bad.slice(0,8).join(' | ')); }
