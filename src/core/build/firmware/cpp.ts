import { plainName, type ProgramRules } from './rules';

/** More bits than this many boards only read when they are asked to. */
const USUAL_BITS = 10;

/** Nearer to nothing a float is nothing. */
const SMALLEST = 1e-30;

/** A figure that C++ takes as a float. */
const float = (value: number): string => {
  const text = String(Math.abs(value) < SMALLEST ? 0 : Number(value.toPrecision(6)));
  return `${/[.e]/.test(text) ? text : `${text}.0`}f`;
};

/**
 * A complete C++ sketch with `setup` and `loop` that does what the rules say: nothing blocks, nothing is allocated. It prints
 * `seconds,code` lines as the serial port of step 1 reads them; `c` from the port turns calibration on and off.
 */
export function cppProgram(rules: ProgramRules): string {
  const { bits, samples, refVolts } = rules;
  const [compareOn, compareOff] = rules.onWhen === 'above' ? ['>=', '<='] : ['<=', '>='];
  const [on, off] = rules.onLevel === 'high' ? ['HIGH', 'LOW'] : ['LOW', 'HIGH'];
  return `// ${plainName(rules.name)}: a light switch, written by Yemko.
// Midpoint of LDR and R1 at pin ${rules.inputPin}; the load's switch at pin ${rules.outputPin}.
// Prints seconds,code lines; send c for calibration (the pin stays at its off level), c again to go on.
${refVolts === null ? '// Full scale of the converter is its own supply, which must feed the divider too.' : `// Full scale of the converter must be ${refVolts} V: set its reference to that.`}

static const int SENSE_PIN = ${rules.inputPin};
static const int DRIVE_PIN = ${rules.outputPin};
static const unsigned long ON_CODE = ${rules.onCode}UL;
static const unsigned long OFF_CODE = ${rules.offCode}UL;
static const unsigned long SAMPLES = ${samples}UL;
static const unsigned long READING_MS = ${rules.readingMilliseconds}UL;
static const unsigned long MIN_ON_MS = ${rules.minOnMilliseconds}UL;
static const unsigned long PRINT_MS = 200UL;

static bool isOn = false;
static bool isCalibrating = false;
static unsigned long sum = 0UL;
static unsigned long count = 0UL;
static unsigned long lastReading = 0UL;
static unsigned long lastPrint = 0UL;
static unsigned long onSince = 0UL;

static void drive(bool wanted, unsigned long now) {
  if (wanted && !isOn) onSince = now;
  isOn = wanted;
${driveLines(rules, on, off)}
}
${rules.tellsLux ? luxFunction(rules) : ''}
static void print(unsigned long now, unsigned long code) {
  if (now - lastPrint < PRINT_MS) return;
  lastPrint = now;
  Serial.print(static_cast<double>(now) / 1000.0, 2);
  Serial.print(',');
  Serial.println(code);
${
  rules.tellsLux
    ? `  if (!isCalibrating) {
    Serial.print("# lux ");
    Serial.println(static_cast<double>(luxOf(static_cast<float>(code))), 2);
  }
`
    : ''
}}

void setup() {
  digitalWrite(DRIVE_PIN, ${off});
  pinMode(DRIVE_PIN, OUTPUT);
  pinMode(SENSE_PIN, INPUT);
${bits > USUAL_BITS ? `  analogReadResolution(${bits});\n` : ''}  Serial.begin(115200);
  lastReading = millis();
}

void loop() {
  const unsigned long now = millis();
  if (Serial.available() > 0 && Serial.read() == 'c') {
    isCalibrating = !isCalibrating;
    Serial.println(isCalibrating ? "# calibration" : "# switching");
    drive(false, now);
    sum = 0UL;
    count = 0UL;
  }
  if (now - lastReading < READING_MS) return;
  lastReading += READING_MS;
  sum += static_cast<unsigned long>(analogRead(SENSE_PIN))${fewerBits(bits)};
  count += 1UL;
  if (count < SAMPLES) return;
  const unsigned long mean = (sum + SAMPLES / 2UL) / SAMPLES;
  if (!isCalibrating) {
    if (!isOn && mean ${compareOn} ON_CODE) {
      drive(true, now);
      Serial.println("# on");
    } else if (isOn && mean ${compareOff} OFF_CODE && now - onSince >= MIN_ON_MS) {
      drive(false, now);
      Serial.println("# off");
    }
  }
  print(now, mean);
  sum = 0UL;
  count = 0UL;
}
`;
}

/** Boards read ten bits where nothing else is asked: fewer are the upper ones of these. */
const fewerBits = (bits: number) => (bits < USUAL_BITS ? ` >> ${USUAL_BITS - bits}` : '');

/** A level; or, for a buzzer that needs one, a tone while it is on. */
function driveLines({ toneHertz }: ProgramRules, on: string, off: string): string {
  if (toneHertz === null) return `  digitalWrite(DRIVE_PIN, wanted ? ${on} : ${off});`;
  return `  if (wanted) {
    tone(DRIVE_PIN, ${Math.round(toneHertz)}U);
  } else {
    noTone(DRIVE_PIN);
    digitalWrite(DRIVE_PIN, ${off});
  }`;
}

/** The light that a code tells, by this LDR's own curve. */
function luxFunction({ bits, curve, fixedOhms, ldrSide, supplyShare }: ProgramRules): string {
  const dark = curve.darkOhms === null ? '0.0f' : float(1 / curve.darkOhms);
  const ohms = ldrSide === 'top' ? 'R1 * (SUPPLY_CODE - code) / code' : 'R1 * code / (SUPPLY_CODE - code)';
  return `
// This LDR: R = BRIGHT + 1 / (DARK + (lux / 10)^GAMMA / R10).
static const float R1 = ${float(fixedOhms)};
static const float R10 = ${float(curve.r10Ohms)};
static const float GAMMA = ${float(curve.gamma)};
static const float DARK = ${dark};
static const float BRIGHT = ${float(curve.brightOhms)};
static const float SUPPLY_CODE = ${float(2 ** bits * supplyShare)};

static float luxOf(float reading) {
  const float code = reading < 1.0f ? 1.0f : (reading > SUPPLY_CODE - 1.0f ? SUPPLY_CODE - 1.0f : reading);
  const float photo = 1.0f / (${ohms} - BRIGHT) - DARK;
  return photo > 0.0f ? 10.0f * static_cast<float>(pow(static_cast<double>(photo * R10), 1.0 / static_cast<double>(GAMMA))) : 0.0f;
}
`;
}
