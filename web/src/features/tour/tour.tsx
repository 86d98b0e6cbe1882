import { Tour, type TourStepProps } from 'antd'

const find = (selector: string) => () => document.querySelector<HTMLElement>(selector)

const steps: readonly { readonly target: string; readonly title: string; readonly text: string }[] = [
  {
    target: '.list-counts',
    title: 'Levels',
    text: 'Stop: do not run it. Fix: repair soon. Watch: keep an eye on it. Not judged: nothing was read that could be. Tap one to show only those.',
  },
  {
    target: '.list-row',
    title: 'A machine',
    text: 'Most urgent first: level, load against its nameplate, amps of each leg, and what was found. Open it for the reason, the source and the history.',
  },
  {
    target: '.list-tools',
    title: 'Areas and maps',
    text: 'Choose a site or an area; an area has a roof map with every unit at its place, and a sheet of tags to print.',
  },
  {
    target: '#find-machine',
    title: 'Find',
    text: 'Type a tag, a name, a screen, a calculator or a limit. On a keyboard, / brings you here from anywhere.',
  },
  {
    target: 'nav a[href="/rounds"]',
    title: 'Rounds',
    text: 'A lead plans rounds from what is due. On a phone, download the round: it works without signal and syncs by itself.',
  },
  {
    target: 'nav a[href="/calculators"]',
    title: 'Calculators',
    text: 'Unbalance, belts, sheaves, insulation, airflow and more, each with formula, source and a worked example. Opened from a machine they are filled in.',
  },
  {
    target: 'nav a[href="/limits"]',
    title: 'Limits',
    text: 'Every limit with its source. A lead can set your own values, and sees first how many machines change level.',
  },
]

/** Three minutes over the screens. It can be left at any step; steps whose place is not on the screen are left out. */
export function ProductTour({ close }: { close: () => void }) {
  const shown = steps
    .filter((s) => {
      const at = find(s.target)()
      return at !== null && at.getClientRects().length > 0
    })
    .map((s): TourStepProps => ({ title: s.title, description: s.text, target: find(s.target)() }))
  return <Tour open steps={shown} onClose={close} onFinish={close} scrollIntoViewOptions={{ block: 'center' }} />
}
