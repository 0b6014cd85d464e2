// The plates of “Gate Furniture”: what is made of iron and oak about a lock gate, each drawn by itself and named.
import {
  COLOURS,
  fillPath,
  fillRect,
  HEIGHT,
  label,
  strokeLine,
  WIDTH,
  type Context,
} from '../films/paint.ts'

export interface Plate {
  name: string
  draw(c: Context): void
}

function ground(c: Context): void {
  fillRect(c, '#F5F3EA', 0, 0, WIDTH, HEIGHT)
  fillRect(c, '#EBE7DA', 0, 430, WIDTH, HEIGHT - 430)
  strokeLine(c, '#D9D3C2', 2, [
    [0, 430],
    [WIDTH, 430],
  ])
}

function planks(c: Context, x: number, y: number, w: number, h: number): void {
  fillRect(c, COLOURS.wood, x, y, w, h)
  for (let at = y + 26; at < y + h - 4; at += 30) fillRect(c, COLOURS.woodDark, x, at, w, 3)
}

function bolt(c: Context, x: number, y: number): void {
  c.fillStyle = COLOURS.iron
  c.beginPath()
  c.arc(x, y, 5, 0, Math.PI * 2)
  c.fill()
}

function circle(c: Context, colour: string, x: number, y: number, radius: number): void {
  c.fillStyle = colour
  c.beginPath()
  c.arc(x, y, radius, 0, Math.PI * 2)
  c.fill()
}

function balanceBeam(c: Context): void {
  ground(c)
  planks(c, 560, 200, 200, 230)
  fillRect(c, COLOURS.woodDark, 744, 150, 30, 280)
  fillRect(c, COLOURS.woodDark, 546, 176, 22, 254)
  fillPath(c, COLOURS.woodDark, [
    [150, 122],
    [790, 140],
    [790, 178],
    [150, 176],
  ])
  fillRect(c, COLOURS.paper, 150, 121, 46, 55)
  label(c, 'Beam', 360, 60, 400, 150, 1)
  label(c, 'White end, seen in the dark', 240, 260, 176, 170, 1)
  label(c, 'Gate', 880, 300, 730, 320, 1)
}

function heelPost(c: Context): void {
  ground(c)
  fillRect(c, COLOURS.stone, 120, 90, 330, 340)
  circle(c, '#F5F3EA', 450, 260, 92)
  fillRect(c, '#F5F3EA', 450, 90, 200, 340)
  circle(c, COLOURS.woodDark, 436, 260, 84)
  circle(c, COLOURS.wood, 436, 260, 70)
  fillRect(c, COLOURS.wood, 470, 222, 390, 76)
  fillRect(c, COLOURS.woodDark, 470, 256, 390, 5)
  label(c, 'Hollow quoin, in the wall', 250, 50, 362, 190, 1)
  label(c, 'Heel post', 470, 400, 440, 300, 1)
  label(c, 'Gate, from above', 720, 150, 720, 240, 1)
}

function mitre(c: Context): void {
  ground(c)
  fillRect(c, COLOURS.water, 0, 0, WIDTH, 250)
  fillRect(c, COLOURS.stone, 0, 0, 150, HEIGHT)
  fillRect(c, COLOURS.stone, 810, 0, 150, HEIGHT)
  strokeLine(c, COLOURS.wood, 42, [
    [168, 270],
    [470, 190],
  ])
  strokeLine(c, COLOURS.wood, 42, [
    [792, 270],
    [490, 190],
  ])
  circle(c, COLOURS.woodDark, 468, 190, 26)
  circle(c, COLOURS.woodDark, 492, 190, 26)
  for (const x of [300, 480, 660])
    strokeLine(c, COLOURS.waterLine, 5, [
      [x, 40],
      [x, 120],
    ])
  label(c, 'The water presses', 700, 60, 660, 100, 1)
  label(c, 'Mitre posts', 480, 330, 480, 212, 1)
  label(c, 'From above: the harder it presses, the tighter they shut', 480, 480, 480, 440, 1)
}

function collar(c: Context): void {
  ground(c)
  fillRect(c, COLOURS.stone, 90, 300, 360, 130)
  fillRect(c, '#CFC3AE', 90, 300, 360, 16)
  fillRect(c, COLOURS.wood, 470, 140, 96, 290)
  fillRect(c, COLOURS.woodDark, 500, 140, 8, 290)
  strokeLine(c, COLOURS.iron, 22, [
    [180, 285],
    [420, 285],
    [470, 250],
  ])
  c.strokeStyle = COLOURS.iron
  c.lineWidth = 22
  c.strokeRect(460, 226, 116, 52)
  for (const x of [200, 260, 320]) bolt(c, x, 285)
  for (const x of [200, 260, 320]) circle(c, COLOURS.stoneLine, x, 285, 3)
  label(c, 'Anchor, leaded into the coping', 270, 200, 250, 280, 1)
  label(c, 'Collar', 720, 250, 580, 252, 1)
  label(c, 'Heel post', 700, 380, 540, 380, 1)
}

function gatePaddle(c: Context): void {
  ground(c)
  planks(c, 250, 90, 420, 340)
  fillRect(c, COLOURS.waterDeep, 380, 310, 150, 100)
  planks(c, 372, 220, 166, 110)
  for (const x of [356, 542]) fillRect(c, COLOURS.iron, x, 200, 14, 216)
  fillRect(c, COLOURS.iron, 448, 40, 14, 184)
  for (let x = 390; x < 530; x += 28)
    strokeLine(c, COLOURS.waterLine, 3, [
      [x, 340],
      [x, 400],
    ])
  label(c, 'Rod up to the gear', 660, 60, 462, 90, 1)
  label(c, 'Shutter, half drawn', 790, 270, 540, 270, 1)
  label(c, 'Opening', 180, 380, 380, 370, 1)
}

function paddleGear(c: Context): void {
  ground(c)
  fillRect(c, COLOURS.paper, 420, 120, 90, 310)
  c.strokeStyle = COLOURS.iron
  c.lineWidth = 3
  c.strokeRect(420, 120, 90, 310)
  fillRect(c, COLOURS.iron, 530, 40, 22, 390)
  for (let y = 52; y < 420; y += 18) fillRect(c, COLOURS.iron, 516, y, 16, 8)
  for (let tooth = 0; tooth < 12; tooth += 1) {
    const angle = (tooth / 12) * Math.PI * 2
    circle(c, COLOURS.iron, 466 + Math.cos(angle) * 46, 240 + Math.sin(angle) * 46, 9)
  }
  circle(c, COLOURS.iron, 466, 240, 44)
  fillRect(c, COLOURS.paper, 454, 228, 24, 24)
  fillPath(c, COLOURS.rust, [
    [440, 150],
    [520, 176],
    [514, 192],
    [434, 168],
  ])
  label(c, 'Rack', 680, 100, 552, 110, 1)
  label(c, 'Square for the windlass', 230, 260, 456, 242, 1)
  label(c, 'Pawl: it holds what was wound', 230, 130, 440, 160, 1)
}

function windlass(c: Context): void {
  ground(c)
  strokeLine(c, COLOURS.iron, 34, [
    [280, 170],
    [620, 330],
  ])
  strokeLine(c, COLOURS.iron, 34, [
    [620, 330],
    [730, 190],
  ])
  strokeLine(c, COLOURS.wood, 44, [
    [668, 268],
    [730, 190],
  ])
  circle(c, COLOURS.iron, 280, 170, 58)
  fillRect(c, '#F5F3EA', 258, 148, 44, 44)
  label(c, 'Socket, square', 200, 310, 270, 200, 1)
  label(c, 'Handle', 840, 150, 728, 210, 1)
  label(c, 'Never leave it on the gear', 480, 470, 440, 262, 1)
}

function footboard(c: Context): void {
  ground(c)
  planks(c, 180, 230, 600, 200)
  fillRect(c, COLOURS.cabinTrim, 170, 206, 620, 26)
  for (let x = 190; x < 790; x += 44) fillRect(c, COLOURS.wood, x, 206, 3, 26)
  for (const x of [230, 480, 730]) fillRect(c, COLOURS.paper, x, 96, 12, 112)
  fillRect(c, COLOURS.paper, 210, 90, 540, 12)
  c.strokeStyle = COLOURS.iron
  c.lineWidth = 2
  c.strokeRect(210, 90, 540, 12)
  label(c, 'Handrail: one hand, always', 480, 46, 480, 94, 1)
  label(c, 'Footboard', 860, 300, 770, 220, 1)
  label(c, 'Gate', 100, 360, 190, 350, 1)
}

export const PLATES: readonly Plate[] = [
  { name: 'balance-beam', draw: balanceBeam },
  { name: 'heel-post', draw: heelPost },
  { name: 'mitre', draw: mitre },
  { name: 'collar', draw: collar },
  { name: 'gate-paddle', draw: gatePaddle },
  { name: 'paddle-gear', draw: paddleGear },
  { name: 'windlass', draw: windlass },
  { name: 'footboard', draw: footboard },
]
