import { practice } from '../../../limits/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import { lostLeg } from '../amps/lost-leg.ts'

/** Less than this a clamp shows of nothing, amperes. */
const nothing = 0.1

/** What should have switched a lost leg off, and did not. A drive watches its own line. */
export const phaseMonitor: Rule = {
  id: 'phase-monitor',
  title: 'Phase monitor',
  subject: 'protection',
  from: 'visit',
  applies: (c) =>
    c.machine.phases === 3 && !c.machine.hasVfd && lostLeg.applies(c) && lostLeg.judge(c).level === 'stop',
  judge(c) {
    const basis = [practice('a phase monitor drops the starter out when a line is lost, low or reversed')]
    const draws = (c.threeAmps ?? []).some((a) => a > nothing)
    if (!c.machine.controls.phaseMonitor)
      return verdict(this, {
        level: 'watch',
        basis,
        because: 'A leg is lost and no phase monitor is recorded: only the overload protects the winding.',
        next: 'Check whether one is installed and record it; if not, quote one.',
      })
    if (!draws)
      return verdict(this, {
        level: 'ok',
        basis,
        because: 'A leg is lost and the motor draws no current: the phase monitor worked.',
        next: 'Do not bypass it. Find the lost leg first.',
      })
    return verdict(this, {
      level: 'fix',
      basis,
      because: 'A phase monitor is installed, a leg is lost, and the motor still draws current: it did not trip.',
      next: 'Lock out, look for a jumper across it and check its setting; test it before you rely on it.',
    })
  },
}
