<script setup lang="ts">
import { usualAir, type RoomAir } from '#core/procedure'
import { useLabStore } from '~/stores/lab'

/** The air that the lab dries in: kept for the lab, said once. Empty humidity is a usual room. */
const lab = useLabStore()
const told = computed<RoomAir>(() => lab.lab?.settings.air ?? usualAir)
const celsius = ref('')
const humidity = ref('')
watch(
  told,
  air => {
    celsius.value = String(air.celsius)
    humidity.value = air.humidity === undefined ? '' : String(Math.round(air.humidity * 100))
  },
  { immediate: true },
)
const problem = ref('')

function read(): RoomAir | undefined {
  const [warm, damp] = [celsius.value, humidity.value].map(text =>
    text
      .trim()
      .replace(',', '.')
      .replace(/\s*(%|°C)$/, ''),
  )
  const degrees = Number(warm)
  if (warm === '' || !(degrees >= 5 && degrees <= 40)) {
    problem.value = 'The temperature of a room is a number from 5 to 40 °C, such as 22.'
    return undefined
  }
  if (damp === '') return { celsius: degrees }
  const share = Number(damp)
  if (!(share >= 5 && share <= 98)) {
    problem.value = 'Humidity is a number from 5 to 98 %, such as 45; leave it empty for a usual room.'
    return undefined
  }
  return { celsius: degrees, humidity: share / 100 }
}
async function save(): Promise<void> {
  problem.value = ''
  const air = read()
  if (!air || (air.celsius === told.value.celsius && air.humidity === told.value.humidity)) return
  try {
    await lab.saveSettings({ air })
  } catch {
    problem.value = 'The server does not answer: it is not kept. Leave the field once more when it does.'
  }
}
</script>

<template>
  <form class="mb-2 flex flex-wrap items-end gap-3" aria-label="Air of the room" @submit.prevent="save">
    <label class="w-32"
      ><span class="label">Room, °C</span
      ><input v-model="celsius" class="field figure" inputmode="decimal" @blur="save"
    /></label>
    <label class="w-40"
      ><span class="label">Humidity, %</span
      ><input v-model="humidity" class="field figure" inputmode="decimal" placeholder="35 to 60" @blur="save"
    /></label>
    <p class="small grow basis-64 pb-2" :class="{ 'text-red': problem }" :role="problem ? 'alert' : undefined">
      {{ problem || 'What the hygrometer says, for the whole lab: hydrates keep only between certain humidities.' }}
    </p>
  </form>
</template>
