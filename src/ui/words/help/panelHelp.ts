import { buildWords } from '../panels/build';
import { checkWords } from '../panels/check';
import { divideWords } from '../panels/divide';
import { driveWords } from '../panels/drive';
import { measureWords } from '../panels/measure';
import { storageWords } from '../panels/storage';
import { switchWords } from '../panels/switch';
import { tryWords } from '../panels/try';

/** What each panel is for and what to do in it, by its title. */
const help: Readonly<Record<string, string>> = {
  // 1 Measure
  [measureWords.readings]:
    'Pairs of a light and the resistance that the meter showed in it. Two make a curve, four or more make one that can be trusted. Type a light and a figure, then Enter.',
  [measureWords.readingsWorthA]:
    'Readings that do not fit the others. Each is shown right and wrong; read it again, set it aside, or stand by it.',
  [measureWords.thisLDR]:
    'What the LDR is called and looks like, so that you know it again. Save it to use it in other designs.',
  [measureWords.foundFromThe]:
    'The curve through your readings, with how sure each figure of it is. Nothing to set: more readings make it surer.',
  [measureWords.whatToMeasure]: 'Which light would help most if you read it next, and what it would bring.',
  [measureWords.planTheDistances]:
    'Without a light meter: a small lamp in a dark room, farther off by steps. Choose the steps, then follow them.',
  [measureWords.rungByRung]: 'One step of the plan at a time. Put the LDR there, type what the meter shows.',
  [measureWords.turnItInto]: 'One reading in real lux turns the whole ladder into lux.',
  [measureWords.meterThatTalks]:
    'Where live figures come from: a meter on a serial port, a replay, the keyboard or the simulated bench. Connect it first.',
  [measureWords.live]:
    'What the meter shows now, and whether it has settled. Capture it as a reading when it has.',
  [measureWords.handsFree]:
    'Yemko says which light to make, waits until the figure has settled, and takes it. Hands stay free.',
  [measureWords.simulatedBench]:
    'A lamp, a hand and an LDR that are computed, to try all of this without a bench.',
  [measureWords.practice]:
    'Measure a hidden LDR, then see how near you came and what each reading was worth.',
  [measureWords.record]:
    'Writes down the resistance over time, for a night or a week. Start it, set marks, stop it.',
  [measureWords.resistanceInTime]:
    'What was recorded. Choose a span to look closer, or take figures from it as readings.',
  [measureWords.logsOfThis]: 'Every record of this project. Open one, rename it, save it as CSV.',
  [measureWords.savedLDRs]: 'LDRs that you have measured before. Put one in, or compare several.',
  [measureWords.theirCurves]: 'The saved LDRs side by side, over the same light.',
  [measureWords.aBagOf]:
    'Three or more LDRs from one bag show how far they differ; designs then count with that.',
  // 2 Divide
  [divideWords.divider]:
    'The two resistances that share the supply. Set the goal, the supply, and on which side the LDR is.',
  [divideWords.fixedResistorR1]:
    'The one value that moves the switching light most. Step it, or take the value that is found for the goal.',
  [divideWords.trimmerInsteadOf]:
    'R1 that can be set with a screwdriver: for an LDR that is not measured, or that will be swapped.',
  [divideWords.trimmerInR1s]: 'How far the trimmer reaches, in light.',
  [divideWords.sizingMethodsFor]:
    'Rules that people choose R1 by, each with what it gives here. Take the one that answers your question.',
  [divideWords.resistorsInStock]: 'What you have. Every proposal keeps to it.',
  [divideWords.besideTheLDR]:
    'Resistors beside the LDR: one across it flattens the dark end, one in a row keeps a floor.',
  [divideWords.lDRRatings]: 'What the LDR is rated for, and whether it stays within that.',
  [divideWords.midpointAOn]:
    'Measure the midpoint on your bench and type it here: it is held against the predicted one.',
  // 3 Switch
  [switchWords.switching]:
    'What turns the midpoint’s voltage into on or off. A comparator switches at an edge; a transistor alone goes over gradually.',
  [switchWords.transistor]: 'Which transistor, where the load hangs, and what leads to its base or gate.',
  [switchWords.whereItSwitches]:
    'The lights at which the load turns on and off, with how sure they are. Nothing to set.',
  [switchWords.drive]: 'Whether the transistor lets through all that the load asks for, even a weak one.',
  [switchWords.output]:
    'What comes between the detector and the load: nothing, an inverter, a pulse, a toggle.',
  [switchWords.itsOutput]: 'What the output drives, and through what.',
  [switchWords.partsForLights]:
    'Parts from stock that switch at the two lights you want. Find them, then take a set.',
  [switchWords.lightAndLoad]:
    'The light wants one R1, the load another. Each way out is shown as the design that it would make.',
  [switchWords.howSteadyIt]:
    'How far the switching light moves with warmth, a weak supply, and another part of the same kind.',
  [switchWords.whereTheSteps]: 'The light of each step of the ladder.',
  [switchWords.variants]:
    'Up to three circuits for the same LDR, side by side. Go on with a copy, compare, throw one away.',
  [switchWords.fromTheBench]:
    'Helpers for what you measure on the bench: the load’s own light, a beam, two measured midpoints.',
  // 4 Drive
  [driveWords.ratings]: 'What every part gets at most, beside what it is rated for.',
  [driveWords.takeCare]: 'Where someone or something could be hurt. Read it before you build.',
  // 5 Try
  [tryWords.liveTitle]:
    'Your hand on the light: slide it, cover it, shine at it, and watch the circuit follow.',
  [tryWords.load]: 'What the load does in that light.',
  [tryWords.now]: 'What meters would show this moment.',
  [tryWords.trace]: 'The last minute: light, midpoint and load. Drag to look back.',
  [tryWords.happened]: 'Every switching, with its time and light.',
  [tryWords.variants]: 'A second circuit under the same hand.',
  [tryWords.where]: 'Place, date, weather and what else shines. Set it, then run the day.',
  [tryWords.chart]: 'The day’s light, and when the load is on.',
  [tryWords.result]: 'How long it is on, how often it switches, and what makes it chatter.',
  [tryWords.cure]: 'The least change that leaves the same day quiet, tried on it.',
  [tryWords.byTime]: 'A goal by the clock: at which light it should switch so that it does so then.',
  [tryWords.hours]: 'For how many hours the light is where.',
  [tryWords.year]: 'When it turns on and off through the year.',
  [tryWords.bagTitle]: 'The same design built thousands of times from parts as they come.',
  [tryWords.histogram]: 'At which light how many of them switch.',
  [tryWords.contributions]: 'Which part makes the most of the difference.',
  [tryWords.payoffs]: 'What would make more of them do the job, each tried by a run of its own.',
  [tryWords.whichLdr]: 'Which of your saved LDRs go together.',
  [tryWords.predictTitle]:
    'Say what it will do before you see it. It is the quickest way to learn a circuit.',
  // 6 Build
  [buildWords.partsTitle]:
    'Everything that has to be on the table, with its marking and what of it is in stock.',
  [buildWords.wanted]: 'For how many builds, and how many spares.',
  [buildWords.pinsTitle]:
    'Which leg is which, as usual for the kind. The datasheet of your part has the last word.',
  [buildWords.boardTitle]: 'Where each part goes. Drag it, and every move is checked at once.',
  [buildWords.siting]:
    'Leads, window, box and reach, and what they make of the design. The day in step 5 goes by it, too.',
  [buildWords.checked]: 'The netlist read back from the holes, held against the circuit.',
  [buildWords.soldered]: 'The same for perfboard: what is joined, and in which order to solder.',
  [buildWords.steps]: 'Every connection in an order that two hands can follow. Tick it off with Enter.',
  [buildWords.colors]: 'Which colour is for what.',
  [buildWords.sheetTitle]: 'All of it on paper: print it, or save it as a PDF.',
  [buildWords.program]:
    'The controller’s own program, with this LDR’s codes. Copy it or save it, and load it onto the board.',
  [buildWords.all]: 'Every step; press one to look at it.',
  // 7 Check
  [checkWords.lights]:
    'Two lights far apart: well in the dark, well in the light. Make them as it says, or type what you know.',
  [checkWords.truth]: 'What should be where in each light; what you measured stands below it.',
  [checkWords.pointsTitle]: 'Measure from the top down and type what the meter shows: it is judged at once.',
  [checkWords.trim]: 'Make that light, type the voltage, and turn as it says.',
  [checkWords.adopt]:
    'What was measured is better than what was guessed. Take it over, and the design follows.',
  [checkWords.symptoms]: 'What anyone sees without a meter. It makes some faults likelier than others.',
  [checkWords.next]:
    'The probe that helps most for its trouble. Make it, type what you find; then there is a next one.',
  [checkWords.made]: 'What has been found. Take away what was mistaken.',
  [checkWords.found]: 'What may be wrong, by how likely it is after all that was found.',
  [checkWords.level]: 'A fault is hidden in this design. Find it with as few probes as you can.',
  [checkWords.practiceProbe]: 'Press where you would put the probe.',
  [checkWords.guess]: 'When you know what it is, choose it and say it.',
  [checkWords.entry]: 'Write down what happened, with photos. It stays in this browser and in backups.',
  [checkWords.logbook]: 'Everything that was written down, newest first.',
  [checkWords.chart]:
    'Every measured voltage beside what was predicted: points off the line are worth a look.',
  // Storage
  [storageWords.backup]: 'One file with everything. Make one now and then, and keep it elsewhere.',
  [storageWords.restore]: 'Choose a backup; you see what it would change before anything does.',
  [storageWords.usage]: 'What takes how much room in this browser.',
  [storageWords.bin]: 'Deleted projects, for thirty days. Bring one back, or let it go.',
};

/** What a panel is for; `null` for one that needs no word. */
export const panelHelp = (title: string): string | null => help[title] ?? null;
