import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** For tests: whether a program is there to be called. */
export const isThere = (command: string): boolean =>
  spawnSync(command, ['--version'], { stdio: 'ignore' }).status === 0;

/** What the sketches call, with a clock that the test turns and codes from its input; pin names are numbers. */
const STUB = `
#include <cmath>
#include <cstdio>
#include <cstdint>
#include <vector>
using std::pow;
#define HIGH 1
#define LOW 0
#define INPUT 0
#define OUTPUT 1
static const int A0 = 14, A1 = 15, GP26 = 26, PA1 = 40;
static unsigned long clockMs = 0;
static std::vector<int> codes;
static int level = -1;
static unsigned long millis() { return clockMs; }
static int analogRead(int) { const unsigned long at = clockMs / 10; return codes[at < codes.size() ? at : codes.size() - 1]; }
static void analogReadResolution(int) {}
static void pinMode(int, int) {}
static void digitalWrite(int, int to) { if (to != level) std::printf("%lu %d\\n", clockMs, to); level = to; }
static void tone(int, unsigned) { if (level != 2) std::printf("%lu 2\\n", clockMs); level = 2; }
static void noTone(int) {}
struct Port {
  void begin(long) {}
  int available() { return 0; }
  int read() { return -1; }
  template <class T> void print(T) {}
  template <class T> void print(T, int) {}
  template <class T> void println(T) {}
  template <class T> void println(T, int) {}
};
static Port Serial;
static inline void usesAll() { (void)A0; (void)A1; (void)GP26; (void)PA1; (void)&analogReadResolution; (void)&tone; (void)&noTone; }
`;

const MAIN = `
int main() {
  usesAll();
  for (int code; std::scanf("%d", &code) == 1;) codes.push_back(code);
  setup();
  for (; clockMs < codes.size() * 10; clockMs++) loop();
}
`;

const PYTHON_RUN = `
import json, sys, types
source, codes = json.load(sys.stdin)
clock = [0]
log = []
level = [None]
class Pin:
    OUT = 1
    def __init__(self, name, mode=None, value=None):
        self.name = name
        if value is not None: self.value(value)
    def value(self, to):
        if to != level[0]: log.append([clock[0], to])
        level[0] = to
    def init(self, mode, value): self.value(value)
class PWM:
    def __init__(self, pin): pass
    def freq(self, hertz): self.hertz = hertz
    def duty_u16(self, duty):
        if level[0] != 2: log.append([clock[0], 2])
        level[0] = 2
    def deinit(self): pass
class ADC:
    def __init__(self, pin): pass
    def read_u16(self):
        code, bits = codes[min(len(codes) - 1, clock[0] // 10)], BITS
        return code << (16 - bits)
def ticks_ms():
    if clock[0] >= len(codes) * 10: raise SystemExit
    return clock[0]
def sleep_ms(ms): clock[0] += ms
machine = types.ModuleType("machine"); machine.ADC = ADC; machine.Pin = Pin; machine.PWM = PWM
clockwork = types.ModuleType("time")
clockwork.ticks_ms = ticks_ms; clockwork.sleep_ms = sleep_ms
clockwork.ticks_diff = lambda one, other: one - other
clockwork.ticks_add = lambda one, other: one + other
sys.modules["machine"] = machine; sys.modules["time"] = clockwork
BITS = int([line for line in source.splitlines() if line.startswith("BITS")][0].split("=")[1])
import builtins
said = print
try:
    exec(compile(source, "program.py", "exec"), {"__name__": "__main__", "print": lambda *a: None})
except SystemExit:
    pass
said(json.dumps(log))
`;

/** When a pin changed over, and to what. */
export type PinChanges = readonly (readonly [milliseconds: number, level: number])[];

function inFolder<T>(use: (folder: string) => T): T {
  const folder = mkdtempSync(join(tmpdir(), 'yemko-firmware-'));
  try {
    return use(folder);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** What the compiler says against sketches, all warnings on; empty where nothing. */
export function compileCpp(sources: readonly string[]): string {
  return inFolder((folder) => {
    const programs = sources.map(
      (source, index) => `namespace p${index} {\n${source}\nvoid both() { setup(); loop(); }\n}\n`,
    );
    const file = join(folder, 'all.cpp');
    writeFileSync(file, `${STUB}\n${programs.join('\n')}\nint main() { usesAll(); return 0; }\n`);
    return String(
      spawnSync('g++', ['-std=c++11', '-Wall', '-Wextra', '-fsyntax-only', file], { encoding: 'utf8' })
        .stderr,
    );
  });
}

/** Compiles a sketch and runs it over codes, one each 10 ms. */
export function runCpp(source: string, codes: readonly number[]): PinChanges {
  return inFolder((folder) => {
    const [file, program] = [join(folder, 'one.cpp'), join(folder, 'one')];
    writeFileSync(file, `${STUB}\n${source}\n${MAIN}`);
    const made = spawnSync('g++', ['-std=c++11', '-o', program, file], { encoding: 'utf8' });
    if (made.status !== 0) throw new Error(made.stderr);
    const run = spawnSync(program, { input: codes.join(' '), encoding: 'utf8' });
    return run.stdout
      .trim()
      .split('\n')
      .map((line) => {
        const [at = 0, level = 0] = line.split(' ').map(Number);
        return [at, level] as const;
      });
  });
}

/** What Python says against scripts; empty where nothing. */
export function compilePython(sources: readonly string[]): string {
  const check = 'import json,sys\nfor s in json.load(sys.stdin): compile(s, "p.py", "exec")';
  const input = JSON.stringify(sources);
  return String(spawnSync('python3', ['-W', 'error', '-c', check], { input, encoding: 'utf8' }).stderr);
}

/** Runs a script over codes, one each 10 ms. */
export function runPython(source: string, codes: readonly number[]): PinChanges {
  const run = spawnSync('python3', ['-c', PYTHON_RUN], {
    input: JSON.stringify([source, codes]),
    encoding: 'utf8',
    maxBuffer: 1 << 26,
  });
  if (run.status !== 0) throw new Error(run.stderr);
  const changes: unknown = JSON.parse(run.stdout);
  if (!Array.isArray(changes)) throw new Error('no list');
  return changes.map((change: unknown) => {
    const pair: readonly unknown[] = Array.isArray(change) ? change : [];
    return [Number(pair[0]), Number(pair[1])] as const;
  });
}
