// Charts in our own look: thin lines, no shadows, nothing that moves.
import {
  BarController,
  BarElement,
  CategoryScale,
  Chart,
  Filler,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
  type ChartData,
  type ChartType,
} from 'chart.js'

Chart.register(
  BarController,
  BarElement,
  LineController,
  LineElement,
  PointElement,
  CategoryScale,
  LinearScale,
  Filler,
  Tooltip,
)

export interface DrawnChart {
  type: ChartType
  data: ChartData
  max: number | undefined
  shares: boolean
  xTitle: string
  yTitle: string
  locale: string
}

/** Draws with the colours of the page, `var(--…)` in the data included. */
export function drawChart(
  canvas: HTMLCanvasElement,
  { type, data, max, shares, xTitle, yTitle, locale }: DrawnChart,
): Chart {
  const style = getComputedStyle(canvas)
  const token = (name: string) => style.getPropertyValue(name).trim()
  const [ink, line] = [token('--ink-2'), token('--line')]
  const font = { family: token('--interface'), size: 12.5 }
  const colour = <T>(value: T) =>
    typeof value === 'string' && value.startsWith('--') ? token(value) : value
  const datasets = data.datasets.map((set) =>
    Object.fromEntries(Object.entries(set).map(([key, value]) => [key, colour(value)])),
  )
  const title = (text: string) => ({ display: true, text, color: ink, font })
  const format = shares
    ? { style: 'percent' as const, minimumFractionDigits: 0, maximumFractionDigits: 0 }
    : {}
  return new Chart(canvas, {
    type,
    data: { ...data, datasets: datasets as unknown as ChartData['datasets'] },
    options: {
      animation: false,
      responsive: true,
      maintainAspectRatio: false,
      locale,
      interaction: { mode: 'index', intersect: false },
      elements: { point: { radius: 0, hitRadius: 8 }, line: { borderWidth: 2, tension: 0 } },
      scales: {
        x: {
          grid: { display: false },
          ticks: { color: ink, font, maxRotation: 0, autoSkipPadding: 18 },
          title: title(xTitle),
        },
        y: {
          beginAtZero: true,
          ...(max === undefined ? {} : { max }),
          grid: { color: line },
          ticks: { color: ink, font, format, ...(shares ? {} : { precision: 0 }) },
          title: title(yTitle),
        },
      },
      plugins: {
        tooltip: {
          backgroundColor: token('--ink'),
          cornerRadius: 3,
          displayColors: false,
          titleFont: font,
          bodyFont: font,
          callbacks: {
            label: ({ dataset, parsed }) =>
              `${dataset.label ?? ''}: ${new Intl.NumberFormat(locale, format).format(parsed.y ?? 0)}`,
          },
        },
      },
    },
  })
}
