import { type Href, router } from 'expo-router'
import type { ReactNode } from 'react'
import { Pressable, ScrollView, View } from 'react-native'
import { ThreadSign } from '../thread/ThreadSign'
import { JointSign } from '../ui/jointSigns'
import { PipeSign } from '../ui/PipeSign'
import { Txt } from '../ui/Txt'

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
    href: '/bench/mate',
    title: 'Mate one end to another',
    detail: 'Any two ends, or a repair, a tee or a valve into a run fixed at both ends.',
    sign: () => <JointSign kind="push-fit" />,
  },
]

/** The tools that need no job. */
export function BenchList() {
  return (
    <ScrollView className="mx-auto w-full max-w-[860px] flex-1">
      <Txt bold size="xl" heading={1} className="px-4 pb-1 pt-4">
        Bench
      </Txt>
      <Txt tone="soft" className="px-4 pb-2">
        Tools without a job. Nothing is kept; a link carries what was entered.
      </Txt>
      {TOOLS.map(({ href, title, detail, sign }) => (
        <Pressable
          key={href}
          role="link"
          aria-label={title}
          onPress={() => router.navigate(href as Href)}
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
        </Pressable>
      ))}
    </ScrollView>
  )
}
