import { readFileSync } from 'node:fs';
import { solveLineup } from '@/core/lineup';
import { carryAnswer, shiftsOf } from '@/core/carry';
import { loadHighsSolver } from '@/workers/highsSolver';
import { decode } from '@/document';
const r = decode(readFileSync('demo/regatta.armreach.json','utf8')); if (!r.ok) throw new Error(JSON.stringify(r.error));
const solver = await loadHighsSolver();
const res = solveLineup(solver, r.value, {timeLimitS: 20, now: () => performance.now()});
for (const s of shiftsOf(r.value, res)) console.log(s.stretchId, s.changes, s.hands.map(h=>`${h.hand.shooterId}:${h.bodyIds}:${h.mountings.length}`), s.tasks.map(t=>`${t.frame.id}:${t.options.length}`).join(' '));
for (let i=0;i<3;i++){ const t=performance.now(); const a = carryAnswer(r.value, res); console.log('ms', performance.now()-t, a.plan.changes, a.plan.proven, a.other?.changes, a.changesInOrder, a.changesAnyOrder, a.plan.unplanned, a.plan.worst, a.other?.worst);
if (i==0) for (const s of a.plan.stretches) { console.log('==', s.stretchId, 'before', s.before.map(b=>b.bodyId+':'+b.pieceIds), 'changes', s.changes, 'left', s.left.join(' '), s.handovers); for (const h of s.hands) { console.log('  ', h.shooterId, h.start.map(o=>o.bodyId+':'+o.pieceIds), 'bag', h.bag, h.weights); console.log('     ', h.doings.map(d=>d.kind==='put'?`[${d.isChange?'change':'put'} ${d.on.bodyId}<-${d.on.pieceIds}]`:d.frameId+'('+d.with.map(w=>w.bodyId+' '+w.pieceIds)+')').join(' ')); } } }
