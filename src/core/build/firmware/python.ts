import { plainName, type ProgramRules } from './rules';

/** A pin as MicroPython names it: its number, or its name. */
const pin = (name: string) => (/^\d+$/.test(name) ? String(Number(name)) : `"${name}"`);
const figure = (value: number) => String(Number(value.toPrecision(6)));

/**
 * A complete MicroPython script that does what the rules say. It prints `seconds,code` lines as the serial port of step 1
 * reads them; with CALIBRATE set it does only that.
 */
export function pythonProgram(rules: ProgramRules): string {
  const { bits, refVolts, toneHertz } = rules;
  const [compareOn, compareOff] = rules.onWhen === 'above' ? ['>=', '<='] : ['<=', '>='];
  const [on, off] = rules.onLevel === 'high' ? [1, 0] : [0, 1];
  return `# ${plainName(rules.name)}: a light switch, written by Yemko.
# Midpoint of LDR and R1 at pin ${rules.inputPin}; the load's switch at pin ${rules.outputPin}.
${refVolts === null ? '# Full scale of the converter is its own supply, which must feed the divider too.' : `# Full scale of the converter must be ${refVolts} V: set its reference to that.`}
import time
from machine import ADC, Pin${toneHertz === null ? '' : ', PWM'}

CALIBRATE = False  # True: only print readings, the pin stays at its off level
BITS = ${bits}
ON_CODE = ${rules.onCode}
OFF_CODE = ${rules.offCode}
SAMPLES = ${rules.samples}
READING_MS = ${rules.readingMilliseconds}
MIN_ON_MS = ${rules.minOnMilliseconds}
PRINT_MS = 200
ON_LEVEL = ${on}
OFF_LEVEL = ${off}

sense = ADC(Pin(${pin(rules.inputPin)}))
drive = Pin(${pin(rules.outputPin)}, Pin.OUT, value=OFF_LEVEL)
${toneHertz === null ? '' : toneFunctions(toneHertz)}
is_on = False
on_since = 0
total = 0
count = 0
start = time.ticks_ms()
last_reading = start
last_print = start
${rules.tellsLux ? luxFunction(rules) : ''}
while True:
    now = time.ticks_ms()
    if time.ticks_diff(now, last_reading) < READING_MS:
        time.sleep_ms(1)
        continue
    last_reading = time.ticks_add(last_reading, READING_MS)
    total += sense.read_u16() >> (16 - BITS)
    count += 1
    if count < SAMPLES:
        continue
    mean = (total + SAMPLES // 2) // SAMPLES
    if not CALIBRATE:
        if not is_on and mean ${compareOn} ON_CODE:
            is_on = True
            on_since = now
            ${toneHertz === null ? 'drive.value(ON_LEVEL)' : 'tone_on()'}
            print("# on")
        elif is_on and mean ${compareOff} OFF_CODE and time.ticks_diff(now, on_since) >= MIN_ON_MS:
            is_on = False
            ${toneHertz === null ? 'drive.value(OFF_LEVEL)' : 'tone_off()'}
            print("# off")
    if time.ticks_diff(now, last_print) >= PRINT_MS:
        last_print = now
        print("%.2f,%d" % (time.ticks_diff(now, start) / 1000, mean))
${rules.tellsLux ? '        if not CALIBRATE:\n            print("# lux %.2f" % lux_of(mean))\n' : ''}    total = 0
    count = 0
`;
}

/** A buzzer that needs one gets a tone while it is on. */
const toneFunctions = (hertz: number) => `
buzz = None


def tone_on():
    global buzz
    buzz = PWM(drive)
    buzz.freq(${Math.round(hertz)})
    buzz.duty_u16(32768)


def tone_off():
    global buzz
    if buzz:
        buzz.deinit()
        buzz = None
    drive.init(Pin.OUT, value=OFF_LEVEL)

`;

/** The light that a code tells, by this LDR's own curve. */
function luxFunction({ bits, curve, fixedOhms, ldrSide, supplyShare }: ProgramRules): string {
  const ohms = ldrSide === 'top' ? 'R1 * (SUPPLY_CODE - code) / code' : 'R1 * code / (SUPPLY_CODE - code)';
  return `
# This LDR: R = BRIGHT + 1 / (DARK + (lux / 10) ** GAMMA / R10).
R1 = ${figure(fixedOhms)}
R10 = ${figure(curve.r10Ohms)}
GAMMA = ${figure(curve.gamma)}
DARK = ${curve.darkOhms === null ? '0.0' : figure(1 / curve.darkOhms)}
BRIGHT = ${figure(curve.brightOhms)}
SUPPLY_CODE = ${figure(2 ** bits * supplyShare)}


def lux_of(reading):
    code = min(max(reading, 1.0), SUPPLY_CODE - 1.0)
    over = ${ohms} - BRIGHT
    photo = 1.0 / over - DARK if over > 0 else 0.0
    return 10.0 * (photo * R10) ** (1.0 / GAMMA) if photo > 0 else 0.0

`;
}
