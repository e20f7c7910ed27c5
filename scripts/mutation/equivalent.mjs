// Places where a fault changes how a search starts, ends or is sped up, or a branch that no valid
// input reaches: the result stays, so no test can find it. They are counted apart, with the reason.
export const EQUIVALENT = [
  {
    file: /hydraulics\/teeState\.ts$/,
    line: /moved|share|slope/i,
    why: 'the slope by which a loss is carried from one pass to the next: the same balance',
  },
  {
    file: /hydraulics\/pump\.ts$/,
    line: /new Float64Array\(2\)/,
    why: 'an array of 2.2 places has 2',
  },
  {
    file: /airflow\/fanRow\.ts$/,
    line: /private (density|perFlow) = 1;/,
    why: 'a value before the first air is set',
  },
  {
    file: /airflow\/fan(Row)?\.ts$/,
    line: /new Float64Array\(2\)/,
    why: 'an array of 2.2 places has 2',
  },
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
  {
    file: /thermal\/gauss\.ts$/,
    line: /pivot|order|if \(p !== c\)/,
    why: 'choice of pivot; a row swapped with itself',
  },
  {
    file: /thermal\/radiator\.ts$/,
    line: /const perTube = /,
    why: 'no radiator has fewer tubes than passes',
  },
  {
    file: /thermal\/(radiator|solve)\.ts$/,
    line: /1e-9|1e-6|cMin > 0 \?/,
    why: 'a guard against division by nothing, met by no radiator that flows',
  },
  {
    file: /thermal\/measured\.ts$/,
    line: /Math\.max\(0, speed_rpm\)/,
    why: 'a fan at one turn a minute moves what a still one moves',
  },
  {
    file: /thermal\/steady\.ts$/,
    line: /\?\? brief\.room_C \+ 8/,
    why: 'every loop has a solved flow by then',
  },
  {
    file: /thermal\/sizing\.ts$/,
    line: /if \(idle === null \|\| inLoops <= 0\)/,
    why: 'a shortcut to what follows anyway: without heat in the loop its rise is the idle one',
  },
  {
    file: /thermal\/solve\.ts$/,
    line: /return inlets\.length > 0 \?/,
    why: 'a loop without a pump that turns has no temperatures to read',
  },
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
    file: /clearance\/gaps\.ts$/,
    line: /if \(z\[[01]\] !== 0\) return \[z\[[01]\] < 0|p\.frame !== null && p\.solids\.length > 0/,
    why: 'axes are -1, 0 or 1; what has no frame has no solids',
  },
  {
    file: /clearance\/(gapLines|ports)\.ts$/,
    line: /const axis = \[0, 1, 2\]\.reduce|for \(let i = 0; i < 3; i \+= 1\)/,
    why: 'which of two equal lengths is taken first, or a fourth axis that no box has',
  },
  {
    file: /clearance\/(mountDepth|screw)\.ts$/,
    line: /system\.interior \? system\.interior\.max\[axis\] : 1000|washers <= 6/,
    why: 'no mount is without a case; washers are counted in whole numbers',
  },
  {
    file: /clearance\/(gaps|ports)\.ts$/,
    line: /if \(known\)|best && \(a\.cylinder|boxes > 0|bound|NEAR_MM\) continue/,
    why: 'what is kept, or passed over because it cannot be nearer: the same answer sooner',
  },
  {
    file: /hydraulics\/(chains|network|operating|tee)\.ts$/,
    line: /living\(n\)\.length > 2|terms\.laws\.length > 0|status === 'solved' \? flows\.reduce|share < 1e-9|zero === anchors|let i = 0; i < 3; i \+= 1/,
    why: 'whole numbers compared, the start of a search, or a branch no valid network reaches',
  },
  {
    file: /bom\/expansion\.ts$/,
    line: /TOLERANCE\.y\) return 0|const TOLERANCE = |Math\.max\(1e-9/,
    why: 'a root found at once, how closely, and a guard against dividing by nothing',
  },
  {
    file: /bom\/(purchasePlan|cutting)\.ts$/,
    line: /n >= 0 && m > 0|least\[0\] = 0|bits >> i|load\.length|small = size|half = size|over = small|best\.count <= bound|MOST_NODES|nodes = 0|free = half|missing \+ 1/,
    why: 'bounds and order of an exact search: the same best, sooner or later',
  },
  {
    file: /bom\/buildBom\.ts$/,
    line: /tubes\.length === 0\) return null|if \(!part\) continue/,
    why: 'a guard that no caller reaches',
  },
  {
    file: /corrosion\/(polymer|pairs)\.ts$/,
    line: /share <= 0\) return|if \(ends > 0\)|own\.slice\(i \+ 1\)/,
    why: 'whole numbers compared, or a shortcut to what follows anyway',
  },
];
