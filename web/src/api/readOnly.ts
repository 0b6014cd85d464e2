// Whether the server stores nothing new for now, as far as this page has heard.
import { ref } from 'vue'

export const isReadOnly = ref(false)
