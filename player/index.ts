// What an application that embeds the player may use.
export { default as LessonPlayer } from './ui/LessonPlayer.vue'
export { default as OverlayView } from './ui/OverlayView.vue'
export { default as Frond } from './frond/Frond.vue'
export { useElementWidth } from './frond/useElementWidth.ts'
export { createFilmMedia, type FilmMedia, type MediaSnapshot } from './media/filmMedia.ts'
export { playerMessages, pluralOf } from './i18n.ts'
export type { FrondCue, FrondDrag, FrondWatching } from './frond/model.ts'
export type { Host, HostState, OpenedLesson, PlayableMedia } from './hosts/Host.ts'
