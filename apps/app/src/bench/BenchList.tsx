import type { ReactNode } from 'react'
import { ScrollView, View } from 'react-native'
import Svg, { Path } from 'react-native-svg'
import { ThreadSign } from '../thread/ThreadSign'
import { JointSign } from '../ui/jointSigns'
import { LinkTo } from '../ui/LinkTo'
import { PipeSign } from '../ui/PipeSign'
import { usePalette } from '../ui/palette'
import { Txt } from '../ui/Txt'
import { useTitle } from '../ui/title'

/** A tool of lengths by its line. */
function LineSign({ d }: { d: string }) {
  const { ink } = usePalette()
  return (
    <Svg width={72} height={46} viewBox="0 0 72 46">
      <Path d={d} stroke={ink} strokeWidth={2} fill="none" />
    </Svg>
  )
}

const TOOLS: readonly { href: string; title: string; detail: string; sign: () => ReactNode }[] = [
  {
    href: '/bench/pipe',
    title: 'Which pipe is it?',
    detail: 'From a few things seen and measured: kind, size, and what may be in it.',
    sign: () => <PipeSign material="copper" />,
  },
  {
    href: '/bench/thread',
    title: 'Which thread is it?',
    detail: 'Pipe thread, hose, compression, flare: by count, diameter, taper and seat.',
    sign: () => <ThreadSign pitchMm={1.8} taper gender="male" form={60} />,
  },
  {
    href: '/bench/gauge',
    title: 'Screen gauge',
    detail: 'In true size: a jaw for pipes, combs for threads, a rule. Calibrated once with a card.',
    sign: () => <LineSign d="M14 4v38M44 4v38M18 23h22m-6 -5l6 5l-6 5M24 18l-6 5l6 5" />,
  },
  {
    href: '/bench/mate',
    title: 'Mate one end to another',
    detail: 'Any two ends, or a repair, a tee or a valve into a run fixed at both ends.',
    sign: () => <JointSign kind="push-fit" />,
  },
  {
    href: '/bench/piece',
    title: 'Piece between two parts',
    detail: 'From middle or mouth to middle or mouth: how long the pipe between is cut.',
    sign: () => <LineSign d="M6 14h10v18H6zM56 14h10v18H56zM16 18h40M16 28h40" />,
  },
  {
    href: '/bench/offset',
    title: 'Offset',
    detail: 'Simple or rolling: travel, run, roll and the piece to cut, for every bend that is made.',
    sign: () => <LineSign d="M4 34h18l26 -22h20" />,
  },
  {
    href: '/bench/pair',
    title: 'Two bends between two lines',
    detail: 'Lines that do not meet, also at an angle: which bends, how far to turn them, the piece.',
    sign: () => <LineSign d="M4 38h20l16 -14 8 -18" />,
  },
  {
    href: '/bench/cuts',
    title: 'Cut list',
    detail: 'Pieces out of stock with the least used up; one big number at a time for the saw.',
    sign: () => <LineSign d="M4 22h64M24 14v16M40 14v16M58 14v16" />,
  },
  {
    href: '/bench/pitch',
    title: 'Pitch',
    detail: 'What a run falls, what the vial reads, what goes under the level.',
    sign: () => <LineSign d="M4 14l64 12M4 34h64" />,
  },
  {
    href: '/bench/load',
    title: 'Drain load',
    detail: 'How many fixtures a branch, a stack or the building drain takes, by the code’s units.',
    sign: () => <LineSign d="M26 4v38M46 4v38M6 12l20 10M66 12L46 22M30 30h12M30 36h12" />,
  },
  {
    href: '/bench/hold',
    title: 'Pressure hold',
    detail: 'What moves the gauge of a shut line: a leak, the stop, warmth, plastic or air.',
    sign: () => <LineSign d="M8 6v34h58M10 10c16 4 30 8 54 9M20 14v6M36 17v6M52 19v6" />,
  },
  {
    href: '/bench/wall',
    title: 'Valve in its wall',
    detail: 'Blocking, board, mortar and tile against the window on the valve’s sheet; what to shim.',
    sign: () => <LineSign d="M12 4v38M40 4v38M50 4v38M58 4v38M20 23h14M27 16v14" />,
  },
  {
    href: '/bench/hole',
    title: 'Hole in a stud',
    detail: 'How near a nail comes, where plates go, and how much of the wood is left.',
    sign: () => <LineSign d="M6 10h60v26H6zM36 23m-9 0a9 9 0 1 0 18 0a9 9 0 1 0 -18 0" />,
  },
  {
    href: '/bench/heights',
    title: 'Heights and walls',
    detail: 'Where valves, arms and stops usually stand; how long a frost-free bib has to be.',
    sign: () => <LineSign d="M10 42V4M4 42h64M10 12h12M10 24h20M10 33h12M48 42V14h14" />,
  },
  {
    href: '/bench/trap',
    title: 'Trap',
    detail: 'Drain and stub in the wall: does the trap line up, which way it swings, what to cut.',
    sign: () => <LineSign d="M14 4v22a12 12 0 0 0 24 0V18h30M8 4h12" />,
  },
  {
    href: '/bench/toilet',
    title: 'Toilet',
    detail: 'Rough-in against bowl, flange against floor and seal, slots square to the wall.',
    sign: () => <LineSign d="M8 4v34h20M64 38H44M22 34h28M30 34v10M42 34v10" />,
  },
  {
    href: '/bench/tub',
    title: 'Tub waste',
    detail: 'Drain and overflow of a tub: both tubes of its waste, and where the trap comes to stand.',
    sign: () => <LineSign d="M4 8v16h44l6 -18h10M18 24v8h46V12M64 32v12" />,
  },
  {
    href: '/bench/slab',
    title: 'Under a slab',
    detail: 'A drain moved under concrete: the trench, where its trap stands, the riser, what goes back in.',
    sign: () => <LineSign d="M4 10h16v8H4zM54 10h14v8H54zM4 30l26 -3v8a7 7 0 0 0 14 0V4" />,
  },
]

/** The tools that need no job. */
export function BenchList() {
  useTitle('Bench')
  return (
    <ScrollView className="mx-auto w-full max-w-[860px] flex-1">
      <Txt bold size="xl" heading={1} className="px-4 pb-1 pt-4">
        Bench
      </Txt>
      <Txt tone="soft" className="px-4 pb-2">
        Tools without a job. Nothing is kept; a link carries what was entered.
      </Txt>
      {TOOLS.map(({ href, title, detail, sign }) => (
        <LinkTo
          key={href}
          href={href}
          label={title}
          className="min-h-[84px] flex-row items-center gap-4 border-b border-rule px-4 py-3 active:bg-patina-wash"
        >
          <View aria-hidden className="w-[72px] items-center">
            {sign()}
          </View>
          <View className="flex-1">
            <Txt bold size="l">
              {title}
            </Txt>
            <Txt size="s" tone="soft">
              {detail}
            </Txt>
          </View>
        </LinkTo>
      ))}
    </ScrollView>
  )
}
