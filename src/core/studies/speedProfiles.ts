import { createSession } from '../analysis';
import { applyEdit, type Design, type SpeedProfile } from '../design';
import { worstRise } from '../thermal';

/** Speeds kept by a name, and what they come to in the load case of the brief. */
export interface SpeedsJudged {
  readonly id: string;
  readonly profile: SpeedProfile;
  /** Of the warmest loop over the room, K; null where it has no steady state. */
  readonly rise_K: number | null;
  readonly noise_dBA: number;
}

/** Each set of speeds that is kept, by one session: from set to set nothing but speeds changes. */
export function judgeSpeeds(design: Design): readonly SpeedsJudged[] {
  const kept = Object.entries(design.choices.speeds ?? {});
  if (kept.length === 0) return [];
  const session = createSession(design);
  return kept.map(([id, profile]) => {
    session.replace(applyEdit(design, { do: 'speeds.use', id }).design);
    const report = session.analysis().reports.heat[design.brief.loadCase];
    return { id, profile, rise_K: worstRise(report), noise_dBA: report.noise_dBA };
  });
}
