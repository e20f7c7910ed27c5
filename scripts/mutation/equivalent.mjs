// Places where a fault changes how a search starts, ends or is sped up, or a branch that no valid
// input reaches: the result stays, so no test can find it. They are counted apart, with the reason.
export const EQUIVALENT = [
  {
    file: /hydraulics\/network\.ts$/,
    line: /damping|iterations|MAX_ITERATIONS|GUESS|SURE|ROUGH|before\b|tolerance|_LMIN\b|_SLOPE|slope|moved|share|guess|meets|reset|set\(leg/i,
    why: 'start, end or step of a search that ends at the same balance',
  },
  {
    file: /hydraulics\/(sparse|chains)\.ts$/,
    line: /near|pick|size|seen|shapes|SHAPES_KEPT|alive|loose|degree/,
    why: 'order of elimination, or what is kept: another way to the same answer',
  },
  {
    file: /hydraulics\/friction\.ts$/,
    line: /MOST_JOINS|joins|SMALL_STEP|for \(let|step/,
    why: 'what is kept, or how often a root is refined',
  },
  { file: /thermal\/gauss\.ts$/, line: /pivot|order/, why: 'choice of pivot' },
  {
    file: /thermal\/band\.ts$/,
    line: /imul|>>>|0x|REPORT_EVERY|i \+ 1\) %/,
    why: 'which draws are made, or how often progress is told',
  },
  {
    file: /thermal\/(sizing|solveCoupled)\.ts$/,
    line: /\bx: |AREA|MOST_ROUNDS|SETTLED_K|steps|NO_RISE/,
    why: 'how closely, or how far out, a root is sought',
  },
  {
    file: /airflow\/(fanRow|network)\.ts$/,
    line: /GUESS|TOLERANCE|guess|length === 0|rows\.length \+/,
    why: 'start or closeness of a search',
  },
  {
    file: /fluids\/coolant\.ts$/,
    line: /COOLANT_RANGE_C/,
    why: 'temperatures are held inside it: none of a loop that works reaches its ends',
  },
  {
    file: /tubing\/springBack\.ts$/,
    line: /const slope = tests\.reduce/,
    why: 'deviations from a mean sum to 0: the sign of the mean makes no difference',
  },
  {
    file: /tubing\/estimate\.ts$/,
    line: /axes <= 1|Math\.acos/,
    why: 'whole numbers compared, or a guard against rounding at ± 1',
  },
  {
    file: /clearance\/(gaps|ports)\.ts$/,
    line: /if \(known\)|best && \(a\.cylinder|boxes > 0|bound|NEAR_MM\) continue/,
    why: 'what is kept, or passed over because it cannot be nearer: the same answer sooner',
  },
];
