import { onMounted, ref } from 'vue'
import { answer, client } from '@/api/client'

/** Materials to choose from, by their stable names. */
export function useMaterials() {
  const materials = ref<{ value: string; label: string }[]>([])
  onMounted(async () => {
    try {
      const found = await answer(client.GET('/api/materials'))
      materials.value = found.map((each) => ({ value: each.name, label: each.title }))
    } catch {
      // The choice stays empty; everything else on the page can still be said.
      materials.value = []
    }
  })
  return materials
}
