import { piece, stitchesOf } from '../src/core/pieces/fixtures';
const s = stitchesOf(piece('satin', { sides: ['M0,-1.5 L40,-1.5', 'M0,1.5 L40,1.5'] }), 'twill', { start: {x:29,y:0}, end: {x:1,y:0} });
let o=''; for (let i=0;i<s.x.length;i++) if (s.role[i]!==1 && i<60 || i>s.x.length-14 || i<12) o+=`${i}:${s.x[i]!.toFixed(2)},${s.y[i]!.toFixed(2)}r${s.role[i]} `; console.log(o);
