// How a fair-minded teacher would take what learners write for a number: a long table, question by question.
import { describe, expect, it } from 'vitest'
import { alsoTaken, markQuestion, readUnit, type NumberQuestion } from '../index.ts'
import { questionOf } from '../testing.ts'
import { RULES } from './alsoTaken.ts'
import { UNITS } from './units.ts'

const asking = (value: number, unit = '', change: Partial<NumberQuestion> = {}) =>
  questionOf('number', { value, unit, ...change })
const verdictOf = (question: NumberQuestion, text: string) =>
  markQuestion(question, { kind: 'number', text }).verdict

/** A question, its verdict, and what earns it; ␣ is a space at an end, ¦ stands between. `near`: to a thousandth. */
const TABLE = `
1.5  → right
  1½ ¦ 1 ½ ¦ 1 1/2 ¦ 3/2 ¦ 1,5 ¦ 1.5, ¦ 1.5; ¦ =1.5 ¦ ≈1.5 ¦ x = 1.5 ¦ x=1.5 ¦ ca. 1.5 ¦ ca 1,5 ¦ about 1.5 ¦
  approx. 1.5 ¦ approximately 1.5 ¦ ~1.5 ¦ "1.5" ¦ (1.5) ¦ Answer: 1.5 ¦ ١٫٥ ¦ ۱٫۵ ¦ १.५ ¦ 1.5␣ ¦ ␣1.5 ¦ +1.5 ¦
  1.5. ¦ circa 1.5 ¦ V = 1.5 ¦ the answer is: 1.5
5.5  → wrong
  1½ ¦ 1 ½
5.5  → right
  5½ ¦ 5 ½ ¦ 11/2 ¦ 5 1/2 ¦ 5 and 1/2
0 °C → right
  32 °F ¦ 0 °C ¦ 273.15 K ¦ 32°F ¦ 32 degrees Fahrenheit ¦ 0 degrees Celsius ¦ 0 celsius ¦ 32 ºF ¦ 0 C ¦ 0 º C ¦
  0 degC ¦ 273.15K ¦ 0 Grad Celsius ¦ 0 grados Celsius ¦ 0 degrés Celsius
1e-7 °C → right
  1e-7 °C ¦ 0.0000001 °C ¦ 1·10^-7 °C
1e-7 °C → wrong
  2e-7 °C
100 °C → right
  212 °F ¦ 373.15 K ¦ 373,15 Kelvin
3 kWh → right
  3 kWh ¦ 3 kW h ¦ 3 kW·h ¦ 3000 Wh ¦ 0.003 MWh ¦ 10.8 MJ ¦ 10800 kJ ¦ 3 kilowatt hours ¦ 3 kilowatt-hours ¦
  3 Kilowattstunden ¦ 3 kwh ¦ 3 KWh ¦ 3 KWH
5 N·m → right
  5 Nm ¦ 5 N m ¦ 5 J ¦ 5 newton metres ¦ 5 Newtonmeter ¦ 5 N*m ¦ 5 newton-metres
760 mmHg → right
  760 Torr ¦ 1 atm ¦ 101325 Pa ¦ 760 mm Hg ¦ 1013.25 mbar ¦ 1013.25 hPa ¦ 1013.25 millibar ¦ 1.01325 bar ¦
  760 torr ¦ 101.325 kilopascals ¦ 101.325 kPa
30 psi near → right
  30 psi ¦ 2.0684 bar ¦ 206.84 kPa ¦ 2068.4 mbar ¦ 30 lb/in² ¦ 30 pounds per square inch ¦ 30 PSI ¦ 30 lbs/in^2
36 km/h → right
  36 kph ¦ 36 kmh ¦ 36 km/h ¦ 10 m/s ¦ 36 Km/h ¦ 36 KM/H ¦ 36 km / h ¦ 36 km h^-1 ¦ 36 km·h⁻¹ ¦
  36 kilometres per hour ¦ 36 kilometers an hour ¦ 36 km per h ¦ 36 Kilometer pro Stunde ¦
  36 kilomètres par heure ¦ 36 kilómetros por hora ¦ 36 km/hr ¦ 600 m/min ¦ 10 m s-1 ¦ 10 m s^-1 ¦ 36 kmph ¦
  36 km/hour
2 kg → right
  2 kgs ¦ 2 kg ¦ 2000 g ¦ 2 KG ¦ 2 Kg ¦ 2 kilos ¦ 2 kilograms ¦ 2 Kilogramm ¦ 2 kilogrammes ¦ 2 kilogramos ¦
  4.409245243697551 lbs ¦ 4.409245243697551 pounds ¦ 0.002 t ¦ 0.002 tonnes ¦ 2 kilo
2 kg → wrong
  2.5 kg ¦ 2 or 3 kg ¦ 2-3 kg ¦ 2 to 3 kg ¦ 2 bis 3 kg ¦ 1 or 2
2.5 kg → right
  2 kg 500 g ¦ 2kg 500g ¦ 2 kg and 500 g
5 km → right
  5 kms ¦ 5 km ¦ 5 KM ¦ 5 Km ¦ 5000 m ¦ 5 kilometres ¦ 5 kilometers ¦ 5 Kilometer ¦ 5 kilomètres ¦ 5 kilómetros ¦
  5 kilometros
3 ha → right
  3 hectares ¦ 3 hectare ¦ 3 Hektar ¦ 3 hectáreas ¦ 30000 m² ¦ 30 000 m2 ¦ 0.03 km² ¦ 3 ha ¦ 30000 sq m ¦
  30000 square metres ¦ 30000 Quadratmeter ¦ 30000 qm ¦ 30000 sqm ¦ 30000 mètres carrés ¦ 30000 metros cuadrados ¦
  30000 metres squared ¦ 30000 m^2
50 µm → right
  50 microns ¦ 50 micron ¦ 50 µm ¦ 50 μm ¦ 50 um ¦ 50 micrometres ¦ 50 micrometers ¦ 50 Mikrometer ¦ 0.05 mm ¦
  5e-5 m ¦ 50 micromètres ¦ 50 micrómetros
90 ° → right
  100 gon ¦ 90° ¦ 90 degrees ¦ 90 deg ¦ 90 Grad ¦ 90 º ¦ 90 degrés ¦ 90 grados ¦ 90 °
0.1 mol/L → right
  0.1 M ¦ 0.1 molar ¦ 100 mM ¦ 0.1 mol/l ¦ 0.1 mol L^-1 ¦ 0.1 mol dm^-3 ¦ 0.1 mol/dm³ ¦ 100 mol/m³ ¦ 100 mmol/L ¦
  0.1 moles per litre ¦ 0.1 mol·L⁻¹
4.18 J/(g·K) → right
  4.18 J/(g·K) ¦ 4.18 J g^-1 K^-1 ¦ 4.18 J g⁻¹ K⁻¹ ¦ 4.18 J/(g K) ¦ 4.18 J/g K ¦ 4.18 J/g/K ¦ 4.18 kJ/(kg·K) ¦
  4.18 J·g^-1·K^-1 ¦ 4.18 J/g·K ¦ 4.18 J/(g °C) ¦ 4180 J/(kg K) ¦ 4.18 J/(gK) ¦ 4.18 J/gK ¦ 4.18 Jg⁻¹K⁻¹ ¦
  4180 Jkg⁻¹K⁻¹
4.18 J g^-1 K^-1 → right
  4.18 J/(g·K) ¦ 4.18 J g^-1 K^-1
12 € → right
  €12 ¦ 12 € ¦ 12€ ¦ EUR 12 ¦ 12 EUR ¦ 12 euros ¦ 12 euro ¦ € 12 ¦ 12,00 € ¦ €12.00 ¦ 12 Euro
12 $ → right
  $12 ¦ 12 $ ¦ US$12 ¦ 12 dollars ¦ USD 12 ¦ $12.00
12 £ → right
  £12 ¦ 12 pounds ¦ GBP 12
7  → wrong
  6-8 ¦ 7-8 ¦ 7 or 8 ¦ 1 or 2 or 3 ¦ 7 or 7.5 ¦ 6 to 8 ¦ 7 / 8 ¦ 7, 8 ¦ 7; 8 ¦ 7 and 8 ¦ between 6 and 8 ¦ 7 ± 1 ¦
  < 7 ¦ > 7 ¦ not 7 ¦ 7–9 ¦ 7 bis 8 ¦ 7 ou 8 ¦ 7 o 8 ¦ 7 oder 8 ¦ 7?8 ¦ 7 8 ¦ either 7 or 8 ¦ --7 ¦ -7 ¦ 7..8 ¦
  7...9 ¦ 77 ¦ 7 more or less 8 ¦ 7 or eight ¦ 7 or more ¦ 7 and a half ¦ more than 7 ¦ 7 to eight ¦ 6 +/- 1 ¦
  7 (or 8) ¦ 7 not 8
7 m → wrong
  6-8 m ¦ 7 m or 8 m ¦ 7 or 8 m ¦ 7 to 8 m ¦ 7-8m ¦ 7 m - 8 m ¦ 7 m, 8 m ¦ 7 m 8 m ¦ 7 m/8 m ¦ 7 m 50
1000  → right
  10^3 ¦ 10³ ¦ 10**3 ¦ 10 ^ 3 ¦ 1e3 ¦ 1 thousand ¦ 1 Tausend ¦ 10^{3} ¦ 10^(3) ¦ 1·10³ ¦ 1.0 × 10^3 ¦ 1.0 x 10³ ¦
  1 000 ¦ 1,000 ¦ 1.000 ¦ 1'000 ¦ 1 000.0 ¦ ١٠٠٠ ¦ ۱۰۰۰ ¦ १००० ¦ 1,0·10^3 ¦ 1,0.10^3
1000000  → right
  1 million ¦ 1 Million ¦ 1 mio ¦ 1 Mio. ¦ 10^6 ¦ 1,000,000 ¦ 10,00,000 ¦ 1 millón ¦ 1 000 000 ¦ 1.0 million ¦
  1e6
12345678.9  → right
  1,23,45,678.9 ¦ 12,345,678.9 ¦ 12.345.678,9 ¦ 12 345 678,9
2500000000  → right
  2.5 billion ¦ 2,5 Milliarden ¦ 2.5 Mrd. ¦ 2,5 milliards ¦ 2.5·10⁹
150 s → right
  2 min 30 s ¦ 2:30 ¦ 2 min 30 ¦ 2 minutes 30 seconds ¦ 2 min 30 sec ¦ 2m 30s ¦ 2.5 min ¦ 150 s ¦
  2 minutes and 30 seconds ¦ 2min30s ¦ 0:02:30 ¦ 2 min 30s ¦ 2 Minuten 30 Sekunden ¦ 2 minutes et 30 secondes ¦
  150 secs ¦ 2 mins 30 secs
90 min → right
  1 h 30 min ¦ 1:30 ¦ 1 h 30 ¦ 1h30 ¦ 1h 30m ¦ 1.5 h ¦ 90 min ¦ 1 hour 30 minutes ¦ 1 hour and 30 minutes ¦ 1½ h ¦
  1 ½ hours ¦ 1½ hours ¦ 90 mins ¦ 1 Stunde 30 Minuten ¦ 5400 seconds ¦ 1:30 h ¦ 1 hr 30 mins ¦ 90 Min
90 min → wrong
  1 h 20 min ¦ 30 min 1 h ¦ 1:40
63 in → right
  5 ft 3 in ¦ 5 feet 3 inches ¦ 5'3" ¦ 5′3″ ¦ 5 ft 3 ¦ 63 inches ¦ 63 in ¦ 63" ¦ 5 foot 3 ¦ 5 ft. 3 in. ¦
  5 feet, 3 inches ¦ 5 feet and 3 inches
1.6002 m → right
  5 ft 3 in ¦ 160.02 cm ¦ 1 m 60.02 cm
30 % → right
  0.3 ¦ 30 % ¦ 30% ¦ 30 percent ¦ 30 per cent ¦ 30 pct ¦ 3/10 ¦ 30 Prozent ¦ 30 pour cent ¦ 30 por ciento ¦
  300 ‰ ¦ .3 ¦ 0,3
30 % → partly
  30
30 % → wrong
  0.03 ¦ 3 ¦ 3 % ¦ 0.3 %
100 m³ → right
  100 m ³ ¦ 100 m^{3} ¦ 100 m**3 ¦ 100 (m³) ¦ 100 cbm ¦ 100 cu m ¦ 100 cu. m ¦ 100 metres cubed ¦
  100 meters cubed ¦ m³ 100 ¦ 100 m³ water ¦ 100 m³ of water ¦ 100 cubic metres ¦ 100 cubic meters ¦ 100 m^3 ¦
  100 m3 ¦ 100 M3 ¦ 100 M³ ¦ 100 Kubikmeter ¦ 100 mètres cubes ¦ 100 metros cúbicos ¦ 100000 L ¦ 100000 litres ¦
  100 000 Liter ¦ 100 000 litros ¦ 1e8 cm³ ¦ 1e8 ccm ¦ 1e8 cc ¦ 100 m³. ¦ V = 100 m³ ¦ ≈ 100 m³ ¦ about 100 m³ ¦
  ca. 100 m³ ¦ 100 kl ¦ 100,0 m³ ¦ 100 kubikmeter ¦ 100 cubic metre ¦ 100m³ ¦ 100 kilolitres
100 m³ → partly
  100 ¦ 100 m ¦ 100 m² ¦ 100 L ¦ 100 boats ¦ 100 kg ¦ 100 square metres
100 m³ → wrong
  100 000 m³ ¦ 10 m³ ¦ m³ ¦ 90-110 m³ ¦ 100 200 m³ ¦ 100 000
20 kHz → right
  20 KHz ¦ 20 khz ¦ 20 kHz ¦ 20000 Hz ¦ 20 kilohertz ¦ 0.02 MHz
5 MPa → right
  5 megapascals ¦ 5 Megapascal ¦ 5 MPa ¦ 5e6 pascals ¦ 5000000 Pa ¦ 50 bar
47 Ω → right
  47 ohms ¦ 47 ohm ¦ 47 Ω ¦ 0.047 kΩ ¦ 0.047 kiloohms ¦ 47 Ohm ¦ 47 ohmios
10 MJ → right
  10 megajoules ¦ 10 Megajoule ¦ 10 mégajoules ¦ 10 megajulios
10 mg → partly
  10 MG ¦ 10 Mg ¦ 10 kg
11  → right
  11 locks ¦ 11 ¦ eleven ¦ elf ¦ onze ¦ once ¦ 11 boats
11  → partly
  11 kg ¦ 11 %
-5 °C → right
  -5 °C ¦ −5°C ¦ –5 °C ¦ minus 5 °C ¦ - 5 °C ¦ 23 °F ¦ 268.15 K
-5  → wrong
  5
0  → right
  0 ¦ 0.0 ¦ -0 ¦ 0,00
0  → wrong
  1e-10 ¦ 0.0001
9.81 m/s² → right
  9.81 m/s^2 ¦ 9.81 m/s² ¦ 9.81 m s^-2 ¦ 9.81 m/s/s ¦ 9.81 metres per second squared ¦ 9.81 m·s⁻² ¦ 9.81 N/kg ¦
  9,81 m/s2 ¦ 9.81 meters per second per second ¦ 9.81 ms⁻² ¦ 9.81 ms^-2 ¦ 9.81 ms-2 ¦ 9.81 m.s^-2
5 g → right
  5 g CO2 ¦ 5 g of salt ¦ 5 grams ¦ 5 Gramm ¦ 5 G
8 GB → right
  8 gigabytes ¦ 8000 MB ¦ 8 gb
60 kn → right
  60 knots ¦ 60 kn
3 locks → right
  3 locks ¦ 3 lock ¦ 3 Locks
3 locks → partly
  3 ¦ 3 boats ¦ 3 m
10 m/s → right
  10 ms⁻¹ ¦ 10 ms-1 ¦ 10 m.s-1
1000 kg/m³ → right
  1000 kgm⁻³ ¦ 1000 kgm-3 ¦ 1 g/cm³ ¦ 1 g/cc ¦ 1 kg/L ¦ 1 g/ml ¦ 1000 kg per cubic metre ¦ 1 g cm^-3 ¦
  1000 kilograms per cubic metre
5 ft → right
  5 ft. ¦ 5 feet ¦ 5 ft long ¦ 60 inches ¦ 60 in.
7  → right
  7 pieces ¦ 7th ¦ 7. ¦ 7 in total ¦ sieben ¦ sept ¦ siete ¦ approximately 7 ¦ 7 locks in all
2 L → right
  2 lt ¦ 2 ltr ¦ 2 ltrs ¦ 2 litres ¦ 2 Litros ¦ 2 l ¦ 2000 ml ¦ 2000 cc ¦ 2 dm³ ¦ 2 dm^3 ¦ 0.002 m³ ¦ 2 L.
100 g → right
  100 gms ¦ 100 gm ¦ 0.1 kg ¦ 100 grams ¦ 100 g of sugar
25 km² → right
  25 sq km ¦ 25 square km ¦ 25 km2 ¦ 25 square kilometres ¦ 25 sq. km ¦ 25 km squared ¦ 2500 ha ¦ 25 qkm ¦
  25 Quadratkilometer ¦ 25 kilomètres carrés ¦ 25 kilómetros cuadrados
1250 € → right
  €1,250 ¦ 1.250,00 € ¦ 1250 euros ¦ €1250.00 ¦ 1 250 € ¦ 1.25 thousand euros ¦ 1250 €
-12 € → right
  -€12 ¦ -12 € ¦ −12€
50 L/min → right
  50 l/min ¦ 50 litres per minute ¦ 50 L per min ¦ 3 m³/h ¦ 50 liters a minute ¦ 50 Liter pro Minute ¦
  50 L min^-1 ¦ 50 l / min
20 mg/L → right
  20 mg/l ¦ 20 mg per litre ¦ 0.02 g/L ¦ 20 mg L⁻¹ ¦ 20 g/m³
20 mg/L → partly
  20 Mg/L ¦ 20 mg ¦ 20 g/L
3 h → right
  3 hrs ¦ 3 hr ¦ 3 hours ¦ 180 min ¦ 180 mins ¦ 3h ¦ 3 H ¦ 3:00 h ¦ 3 Stunden ¦ 3 heures ¦ 3 horas ¦ 10800 s ¦
  3:00
0.5 h → right
  30 min ¦ ½ h ¦ 1/2 hour ¦ 0:30 ¦ 0.5 hours ¦ 30 minutes
0.3333333333333333  → wrong
  0.3 ¦ .33
0.3333333333333333  → right
  1/3 ¦ ⅓ ¦ 2/6
2e-9 m → right
  2 nm ¦ 2 nanometres ¦ 2·10⁻⁹ m ¦ 2e-9 m ¦ 2 x 10^-9 m ¦ 0.002 µm ¦ 20 Å ¦ 2 Nanometer
6.02e+23  → right
  6.02e23 ¦ 6.02·10^23 ¦ 6.02 × 10²³ ¦ 6,02·10²³ ¦ 6.02*10^23 ¦ 6.02E+23 ¦ 6.02x10^23
45 ° → right
  45° ¦ 45 deg ¦ 45 degrees ¦ 45° 0' ¦ 50 gon ¦ 45 Grad
12.5 ° → right
  12° 30' ¦ 12°30′ ¦ 12.5° ¦ 12° 30 arcmin
120 V → right
  120 volts ¦ 0.12 kV ¦ 120 V ¦ 120 v ¦ 120 Volt ¦ 120 voltios
5 A → right
  5 amps ¦ 5 amperes ¦ 5 A ¦ 5 a ¦ 5000 mA ¦ 5 Ampere ¦ 5 amperios
60 W → right
  60 watts ¦ 60 w ¦ 0.06 kW ¦ 60 J/s ¦ 60 vatios
8  → right
  8,0 ¦ 8.00 ¦ ٨ ¦ ८ ¦ ８ ¦ 08
1234567  → right
  12,34,567 ¦ 1 234 567 ¦ 1'234'567
100 km/h → right
  100 Km/h ¦ 100 KM/H ¦ 100 kph ¦ 100 km/h. ¦ 100 km per hour ¦ 100km/h ¦ 62.1371192237334 mph
12 boats/h → right
  12 boats/h ¦ 12 Boats/h
5 % → right
  0.05 ¦ 5% ¦ 5 per cent ¦ 1/20 ¦ 5 pct.
36.6 °C → right
  36,6 °C ¦ 36.6 degrees C ¦ 36.6 deg C ¦ 36.6 ° C ¦ 97.88 °F ¦ 309.75 K ¦ 36.6 degrees centigrade ¦ 36.6 C
3 m → wrong
  3 m or 4 m ¦ 2-3 m ¦ 3 m to 4 m ¦ 3-4 ¦ 3 bis 4 m ¦ 3..4 m ¦ 3 vs 4 m
`
const rows = TABLE.trim()
  .split(/\n(?=\S)/)
  .map((block) => {
    const [, value, unit, near, verdict, texts] = /^(\S+) ?(.*?)( near)? → (\w+)\n([^]*)$/.exec(
      block,
    )!
    const tolerance = { by: 'relative', share: 0.001 } as const
    const question = asking(Number(value), unit!.trim(), near ? { tolerance } : {})
    const written = texts!.split('¦').map((text) => text.trim().replaceAll('␣', ' '))
    return { name: `${value} ${unit}`, question, verdict: verdict!, written }
  })

describe.each(rows)('$name is $verdict', ({ question, verdict, written }) => {
  it.each(written)('%s', (text) => expect(verdictOf(question, text)).toBe(verdict))
})

it('text made to be slow is read at once', () => {
  // A pattern that steps back without bound would still be at it when the test’s time is out.
  for (const piece of ['a', 'a ', '1 ', '1,', '.', "'", '°', 'm^', '(', ' per ', 'm/', '½', '1:'])
    for (const start of ['7', '7 ', '', '-', 'x = '])
      for (const end of ['', ':', '!', '7'])
        expect(['right', 'partly', 'wrong']).toContain(
          verdictOf(asking(7, 'm/s'), (start + piece.repeat(60)).slice(0, 119) + end),
        )
})

describe('every unit', () => {
  it.each(Object.keys(UNITS))('%s is met by itself, and can be asked for', (unit) => {
    expect(readUnit(unit)).not.toBeNull()
    expect(verdictOf(asking(3, unit), `3 ${unit}`)).toBe('right')
  })
})

describe('what the sheet says is also taken', () => {
  const asked: [number, string][] = [
    [116.16, 'm³'],
    [1.5, ''],
    [30, '%'],
    [0.75, ''],
    [2_500_000, ''],
    [1000, 'm'],
    [0, '°C'],
    [150, 's'],
    [90, 'min'],
    [2500, 'g'],
    [63, 'in'],
    [36, 'km/h'],
    [11, ''],
    [3, 'ha'],
    [5, 'kWh'],
    [2, 'bar'],
    [98.6, '°F'],
    [7, 'L'],
    [300, 'K'],
    [10, 'm/s'],
    [4, 'kg'],
    [6, 'cm'],
    [8, 'h'],
    [12, 'km'],
    [9, 'J'],
    [25, 'm²'],
    [101, 'kPa'],
    [0.5, 'm'],
    [3_600_000, 'J'],
    [0.001, 'kWh'],
  ] as [number, string][]
  it.each(asked)('of %s %s is marked right, each of it', (value, unit) => {
    const question = asking(value, unit)
    const examples = alsoTaken(question)
    expect(examples.length).toBeGreaterThan(2)
    for (const one of examples) expect(verdictOf(question, one)).toBe('right')
  })
  it.each(RULES.map(({ name, write }) => ({ name, write })))(
    'shows what the rule “$name” means somewhere',
    ({ write }) => {
      const taken = asked.filter(([value, unit]) => {
        const question = asking(value, unit)
        const example = write(String(value), unit, question)
        return example !== null && verdictOf(question, example) === 'right'
      })
      expect(taken.length).toBeGreaterThan(0)
    },
  )
})
