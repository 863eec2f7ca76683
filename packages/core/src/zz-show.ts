import { readFileSync } from 'node:fs';
import { draftPlan, planJob } from './index.ts';

for (const n of process.argv.slice(2)) {
  const file = JSON.parse(readFileSync(n.startsWith('/') ? n : `/work/main/demo/jobs/${n}.json`, 'utf8'));
  const plan = planJob(file);
  console.log(
    '==',
    n,
    file.job.doors,
    'access',
    file.job.access.from,
    file.job.access.until,
    'strike',
    file.job.strike.from,
    file.job.strike.until,
  );
  for (const [k, l] of Object.entries(plan.lamps))
    console.log(
      '  ',
      k,
      l.state,
      l.figure,
      '|',
      l.reason,
      '|',
      l.fixes.map((f) => f.label + ' -> ' + f.gain).join('; '),
    );
  for (const t of plan.tasks)
    console.log(
      '   ',
      t.start.slice(11, 16),
      t.end.slice(11, 16),
      t.crew.join('+') || '-',
      t.gear.join('+'),
      t.id,
      '::',
      t.label,
      t.mayBeLeftOut ? '(opt)' : '',
    );
  if (process.env.MAT)
    for (const m of plan.totals.materials) console.log('      mat', m.count, m.unit, m.label);
  if (process.env.CARD)
    for (const p of plan.pieces) {
      console.log('   #', p.name, JSON.stringify(p.on), JSON.stringify(p.alsoOn));
      p.steps.forEach((s) => console.log('       -', s));
    }
  if (process.env.HOLD)
    for (const p of plan.holds.pieces) {
      console.log(
        '   @',
        p.name,
        p.carrier,
        'kg',
        p.massKg.toFixed(2),
        'sf',
        p.safetyFactor?.toFixed(2),
        p.governing,
        'ballast',
        p.ballastKg.join(','),
        p.troubles.join('|'),
        p.risks.join('|'),
      );
      for (const q of p.points)
        console.log(
          '        ',
          q.id,
          q.method,
          q.on ? JSON.stringify(q.on) : (q.fixing ?? q.surface),
          q.spotXYM.xM,
          q.spotXYM.yM,
          'N',
          q.loadN.toFixed(2),
          'f',
          q.factor.toFixed(1),
        );
    }
}
