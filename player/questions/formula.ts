// Drawing formulas; apart, because the package that can is larger than the player.
import katex from 'katex'
import 'katex/dist/katex.min.css'

/** Draws TeX into an element: for the eye, and as MathML for whoever listens. False where it cannot be read. */
export function drawFormula(element: HTMLElement, tex: string, display: boolean): boolean {
  try {
    // No commands that load or link anything, no macros that grow without end.
    katex.render(tex, element, { displayMode: display, trust: false, maxExpand: 200, maxSize: 20 })
    return true
  } catch {
    element.textContent = ''
    return false
  }
}
