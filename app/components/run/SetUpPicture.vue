<script setup lang="ts">
import { setUpWords, type SetUp } from '#core/procedure'
import { spoken } from '#core/species'

/** How the glass stands for a step: a plain line drawing, put together from the parts of the set-up. */
const { setUp } = defineProps<{ setUp: SetUp }>()
const words = computed(() => setUpWords(setUp))
const isSuction = computed(() => setUp.over === 'suction funnel')
const isLiquid = computed(() => setUp.vessel === 'flask' || setUp.vessel === 'suction flask')
</script>

<template>
  <figure class="set-up">
    <svg viewBox="0 0 190 170" role="img" :aria-label="spoken(words)" class="block w-full">
      <g v-if="setUp.under === 'ice'">
        <path d="M14 108V156H126V108" class="bath" />
        <path d="M20 120l9-4 5 8-9 4zM106 122l8-5 6 8-8 5zM24 140l8-5 6 8-8 5zM108 142l9-4 5 8-9 4z" class="thin" />
      </g>
      <g v-else-if="setUp.under === 'water bath'">
        <path d="M22 122V156H118V122" class="bath" />
        <path d="M22 130H118" class="thin" />
        <path d="M46 164q-4-4 0-8M70 164q-4-4 0-8M94 164q-4-4 0-8" class="warm" />
      </g>
      <g v-else-if="setUp.under === 'hotplate'">
        <path d="M22 152H118V164H22Z" class="bath" />
        <path d="M40 152H100" class="warm" />
      </g>
      <g v-else-if="setUp.under === 'burner'">
        <path d="M62 166V148H78V166M52 166H88" class="glass" />
        <path d="M70 146q-13-14 0-34q13 20 0 34z" class="warm" />
      </g>

      <g v-if="isLiquid">
        <path d="M50 122H90L102 148H38Z" class="liquid" />
        <path d="M60 60V88L36 150H104L80 88V60" class="glass" />
      </g>
      <g v-else-if="setUp.vessel === 'dish'">
        <path d="M28 104Q70 152 112 104Z" class="liquid" />
        <path d="M22 100H118M26 100Q70 156 114 100" class="glass" />
        <path d="M50 88q-5-8 0-16M70 84q-5-8 0-16M90 88q-5-8 0-16" class="thin" />
      </g>
      <g v-else-if="setUp.vessel === 'crucible'">
        <path d="M34 110H106L70 106Z" class="glass" />
        <path d="M52 72L60 108H80L88 72Z" class="glass" />
        <path d="M56 96H84L81 106H59Z" class="solid" />
        <path d="M50 68L92 60" class="glass" />
        <path d="M24 110H116M24 110V166M116 110V166" class="thin" />
      </g>
      <g v-else>
        <path d="M24 84Q70 24 116 84M18 88H122M24 92L34 152H106L116 92" class="glass" />
        <path d="M62 40H78M70 40V34" class="glass" />
        <path d="M36 116H104" class="glass" />
        <path d="M52 104H88L84 114H56Z" class="solid" />
        <path d="M42 134h6v6h-6zM58 138h6v6h-6zM74 134h6v6h-6zM90 138h6v6h-6z" class="solid" />
      </g>

      <g v-if="setUp.over === 'dropping funnel'">
        <path d="M58 8Q52 28 66 40V58H74V40Q88 28 82 8Z" class="glass" />
        <path d="M57 22Q58 34 68 41H72Q82 34 83 22Z" class="liquid" />
        <path d="M58 47H82" class="glass" />
        <path d="M70 74v6M70 90v6" class="drop" />
      </g>
      <g v-else-if="setUp.over === 'powder funnel'">
        <path d="M48 36L62 56V64H78V56L92 36Z" class="glass" />
        <path d="M62 30l5-6 5 6zM72 24l5-6 5 6z" class="solid" />
      </g>
      <g v-else-if="setUp.over === 'stopper'">
        <path d="M57 42H83L79 66H61Z" class="solid" />
      </g>
      <g v-else-if="setUp.over === 'gas inlet'">
        <path d="M8 40H70V140" class="glass" />
        <path d="M64 142a4 4 0 1 0 .1 0M76 136a3 3 0 1 0 .1 0M60 132a3 3 0 1 0 .1 0" class="thin" />
        <path d="M24 34l10 6-10 6" class="thin" />
      </g>
      <g v-else-if="isSuction">
        <path d="M34 14V42H106V14M46 42L64 58V80H76V58L94 42" class="glass" />
        <path d="M38 40H102" class="paper" />
        <path d="M40 26H100V38H40Z" class="solid" />
        <path d="M81 94H150" class="glass" />
        <path d="M136 94V84M136 84H164V140H136V94M150 94V124M156 84V70H182" class="glass" />
        <path d="M172 64l10 6-10 6" class="thin" />
      </g>
      <g v-else-if="setUp.over === 'fluted filter'">
        <path d="M40 14L66 50V70H74V50L100 14Z" class="glass" />
        <path d="M44 16L54 24 60 16 70 46 80 16 86 24 96 16" class="paper" />
        <path d="M70 82v6M70 98v6" class="drop" />
      </g>
      <g v-else-if="setUp.over === 'still head'">
        <path d="M66 60V26H74M74 60V42M66 26L74 20 160 82M74 42L80 36" class="glass" />
        <path d="M88 36L142 76M80 48L134 88M88 36L80 48M142 76L134 88" class="glass" />
        <path d="M160 82V100" class="glass" />
        <path d="M150 104V118L138 150H182L170 118V104" class="glass" />
        <path d="M144 140H176L180 149H140Z" class="liquid" />
      </g>

      <g v-if="setUp.gas">
        <template v-if="setUp.gas.into">
          <path d="M80 72H158V104" class="glass" />
          <path d="M158 104L146 118H170Z" class="glass" />
          <path d="M134 118V156H182V118" class="glass" />
          <path d="M135 119H181V155H135Z" class="liquid" />
        </template>
        <path v-else d="M92 74q8-8 16-2t16-6M96 60q8-8 16-2t16-6" class="thin" />
      </g>
    </svg>
    <figcaption class="small"><RichText :text="words" /></figcaption>
  </figure>
</template>

<style scoped>
path {
  fill: none;
  stroke: var(--color-ink);
  stroke-width: 1.6;
  stroke-linejoin: round;
  stroke-linecap: round;
}
.thin {
  stroke-width: 1.2;
  stroke: var(--color-soft);
}
.bath {
  stroke: var(--color-soft);
  stroke-width: 2;
}
.liquid {
  stroke: none;
  fill: var(--color-verdigris-soft);
}
.solid {
  stroke: var(--color-soft);
  stroke-width: 1;
  fill: var(--color-rule);
}
.paper {
  stroke: var(--color-edge);
  stroke-width: 2;
}
.warm {
  stroke: var(--color-amber-edge);
  stroke-width: 2;
}
.drop {
  stroke: var(--color-verdigris);
  stroke-width: 2.4;
}
</style>
