import { writeFileSync } from 'node:fs';
import highsLoader from 'highs';
import { compile } from '../packages/core/src/schedule/compiled.ts';
import { Search } from '../packages/core/src/schedule/search.ts';
import { randomProject } from '../packages/core/src/test/projects.ts';

const makespan = (s: any) => {
  let m = 0;
  for (const e of s.end) if (e > m) m = e;
  return m;
};
const out: Record<number, number> = {};
for (let seed = 41; seed <= 150 && Object.keys(out).length < 30; seed++) {
  const problem = randomProject(30, seed);
  const c = compile(problem);
  const search = new Search(c, makespan, { seed: 7 });
  search.run(200000);
  const ub = search.found.cost;
  const T = ub - 1;
  const idx = new Map(problem.activities.map((a, i) => [a.id, i]));
  const d = problem.activities.map((a) => a.modes[0].minutes);
  const es = d.map(() => 0),
    ls = d.map((x) => T - x);
  problem.activities.forEach((a, i) => {
    for (const { id } of a.after) es[i] = Math.max(es[i]!, es[idx.get(id)!]! + d[idx.get(id)!]!);
  });
  for (let i = d.length - 1; i >= 0; i--)
    for (const { id } of problem.activities[i]!.after) {
      const j = idx.get(id)!;
      ls[j] = Math.min(ls[j]!, ls[i]! - d[j]!);
    }
  if (es.some((e, i) => e > ls[i]!)) {
    console.log(seed, ub, 'chain');
    continue;
  }
  const v = (i: number, t: number) => `x${i}_${t}`;
  const lines: string[] = ['Minimize', ' obj: x0_' + es[0], 'Subject To'];
  let r = 0;
  d.forEach((_, i) => {
    const terms = [];
    for (let t = es[i]!; t <= ls[i]!; t++) terms.push(v(i, t));
    lines.push(` c${r++}: ${terms.join(' + ')} = 1`);
  });
  // disaggregated precedence: for each t: sum_{s<=t} x_j(s) <= sum_{s<=t-d_i} x_i(s)
  problem.activities.forEach((a, j) => {
    for (const { id } of a.after) {
      const i = idx.get(id)!;
      for (let t = es[j]!; t <= ls[j]!; t++) {
        const left = [];
        for (let s = es[j]!; s <= t; s++) left.push(v(j, s));
        const right = [];
        for (let s = es[i]!; s <= Math.min(ls[i]!, t - d[i]!); s++) right.push(v(i, s));
        lines.push(` c${r++}: ${left.join(' + ')} ${right.map((x) => '- ' + x).join(' ')} <= 0`);
      }
    }
  });
  for (const [k, cap] of Object.entries(problem.gear))
    for (let t = 0; t < T; t++) {
      const terms: string[] = [];
      problem.activities.forEach((a, i) => {
        const q = a.gear[k];
        if (!q) return;
        for (let s = Math.max(es[i]!, t - d[i]! + 1); s <= Math.min(ls[i]!, t); s++)
          terms.push(`${q} ${v(i, s)}`);
      });
      if (terms.length) lines.push(` c${r++}: ${terms.join(' + ')} <= ${cap}`);
    }
  lines.push('Binary');
  d.forEach((_, i) => {
    for (let t = es[i]!; t <= ls[i]!; t++) lines.push(' ' + v(i, t));
  });
  lines.push('End');
  const highs = await (highsLoader as any)();
  const t0 = performance.now();
  let status = 'error';
  try {
    status = highs.solve(lines.join('\n'), { time_limit: 30, output_flag: false } as any).Status;
  } catch (e) {
    status = String(e).slice(0, 80);
  }
  console.log(seed, ub, status, Math.round(performance.now() - t0));
  if (status === 'Infeasible') out[seed] = ub;
  writeFileSync('/tmp/optima2.json', JSON.stringify(out));
}
