namespace Gorvix.Core.Work.Bench;

/// <summary>What the floor Bench says: every sentence with what it is filled with.</summary>
internal static class Sentences
{
    public static string FailedFixThatFirst(string title) => $"\"{title}\" failed. Fix that first.";

    public static string IsUncertainMeasureItAgain(string title) =>
        $"\"{title}\" is uncertain. Measure it again: no power before it reads open.";

    public static string NoBatteryChosenFirstPower =>
        "No battery chosen: first power-up, all links together and failsafe are not listed. Choose it under Parts.";
    public static string SettingsReadBack => "Settings read back";
    public static string SaveLetTheBoardRestart =>
        "Save, let the board restart, reconnect, and compare its settings dump under Settings.";

    public static string AllSettingsMatchThePlan(int count) => $"all {count} settings match the plan";

    public static string TheBoardIsSetAs => "The board is set as planned.";
    public static string AWrongPortSettingIs =>
        "A wrong port setting is a dead link; two functions on one port clear all port settings.";
    public static string CorrectWhatDiffersSaveReconnect => "Correct what differs, save, reconnect, read back.";
    public static string NotReadBackYet => "Not read back yet.";
    public static string ReadItBackUnderSettings => "Read it back under Settings.";

    public static string OutdoorsWithAGpsFix(string action) => $"Outdoors, with a GPS fix. {action}";

    public static string RequiredLinkNotWorkingDo(string need) => $"Required link not working: {need}. Do not fly.";

    public static string NoSignThatTheLink => $"No sign that the link works.";
    public static string NotConfirmed => "Not confirmed.";
    public static string RepeatSlowlyAndWatchFor => "Repeat slowly and watch for the change.";

    public static string HasPower(string name) => $"{name} has power.";

    public static string HasPowerAndIsLinked(string name) => $"{name} has power and is linked.";

    public static string TheBoardReceivesFrom(string name) => $"The board receives from {name}.";

    public static string ReceivesFromTheBoard(string name) => $"{name} receives from the board.";

    public static string BoardAndCommunicateBothWays(string name) => $"Board and {name} communicate both ways.";

    public static string MeasureTheVoltageBetweenSupply(string name) =>
        $"Measure the voltage between supply and ground leads at {name}.";

    public static string ReadBackItsSettings => "Read back its settings.";

    public static string ReadBack(string name) => $"Read back {name}.";

    public static string DisconnectBatteryAndUsbCheck(string list, string name) =>
        $"Disconnect battery and USB, check continuity from {list}, then read back {name}.";

    public static string PropellersOffMotorsMaySpin => "Propellers off: motors may spin.";

    public static string HasPowerTitle(string name) => $"{name} has power";

    public static string LookAt(string name) => $"Look at {name}.";

    public static string ItsLedIs(string seen) => $"its LED is {seen}";

    public static string ASignOfPowerLed => "a sign of power: LED, video, warmth, or its output";
    public static string ItHasVoltageButShows => "It has voltage but shows no sign of power.";
    public static string MeasureTheVoltageAtThe => "Measure the voltage at the device, then test it alone.";
    public static string NotConfirmedAPartWithout => "Not confirmed: a part without an LED shows nothing.";
    public static string MeasureItsOutput => "Measure its output.";
    public static string EverythingTogether => "Everything together";
    public static string RadioGogglesAndBatteryOn =>
        "Radio, goggles and battery on for 2 min, airflow over the transmitter.";

    public static string WorksThroughoutNothingRestartsNothing(string only) =>
        $"{only} works throughout; nothing restarts, nothing drops out";

    public static string WorkTogetherNothingRestartsNothing(string list) =>
        $"{list} work together; nothing restarts, nothing drops out";

    public static string NoLinkDisturbsAnotherAnd => "No link disturbs another, and the supply handles all of them.";
    public static string TheyWorkTogether => "They work together.";
    public static string LinksThatFailOnlyTogether =>
        "Links that fail only together share something: a supply, a port, a location.";
    public static string UnplugDevicesOneByOne => "Unplug devices one by one and watch what comes back.";
    public static string WatchItLonger => "Watch it longer.";
    public static string WatchAllOfThemFor => "Watch all of them for 2 more minutes.";
    public static string PropellersOff => "Propellers off.";
    public static string RadioOff => "Radio off";

    public static string PropellersOffAircraftTiedDown(string which) =>
        $"Propellers off, aircraft tied down{which}: arm, raise the throttle slightly, switch the radio off.";

    public static string WithinASecondOrTwo =>
        "within a second or two the board reports failsafe; the motors may rev up: disarm at once";
    public static string TheMotorsStopWithinA => "the motors stop within a second or two";
    public static string LinkLossTriggersTheFailsafe => "Link loss triggers the failsafe as set.";
    public static string DoNotFlySetThe => "Do not fly: set the failsafe of receiver and board, read back, test again.";
    public static string PropellersOffMotorsSpin => "Propellers off: motors spin.";
    public static string KeepClearNoOneLeans => "Keep clear: no one leans over the aircraft.";
    public static string InAnOpenSafePlace =>
        "In an open, safe place, with a GPS fix from before take-off: trigger return-to-home from 30 m, thumb on the switch that cancels it.";
    public static string ItTurnsClimbsAndFlies => "it turns, climbs and flies back towards the take-off point";
    public static string HomePositionAndHeadingAre => "Home position and heading are correct.";
    public static string ReturnToHomeWorksIn => "Return-to-home works in a safe place; it is no guarantee of rescue.";
    public static string TakeOverAndLandCheck =>
        "Take over and land. Check compass, module orientation, and the fix before take-off.";
    public static string FollowLocalRulesAndYour =>
        "Follow local rules and your licence: location, altitude, people, line of sight.";
    public static string ReturnToHomeIsNo => "Return-to-home is no guarantee of rescue.";
    public static string ItDidNotActAs => "It did not act as set.";
    public static string NotConfirmedItMustBe => "Not confirmed: it must be clearly seen to work.";
    public static string RepeatTheSameSteps => "Repeat the same steps.";

    public static string ClosedAtOnly(string stands) => $"closed at \"{stands}\" only";

    public static string OpenNoSolder => "open (no solder)";

    public static string SolderJumper(string id) => $"Solder jumper {id}";

    public static string InspectUnderMagnification(string id) => $"Inspect {id} under magnification.";

    public static string SolderJumperIsAsPlanned(string id) => $"Solder jumper {id} is as planned.";

    public static string MustBeOrItsCircuit(string id, string seen) =>
        $"{id} must be {seen}, or its circuit gets the wrong voltage or signal.";

    public static string FixItWithIronAnd => "Fix it with iron and flux, then inspect again.";
    public static string CleanItUseMoreMagnification =>
        "Clean it, use more magnification, or check continuity across it.";
    public static string NothingPluggedInMeasureResistance => "Nothing plugged in. Measure resistance.";
    public static string NothingPluggedInDiodeMode =>
        "Nothing plugged in. Diode mode, red on the first point; then swap probes, which must read open.";
    public static string NothingPluggedInHoldThe =>
        "Nothing plugged in. Hold the probes 3 s: is there a steady tone? A short chirp is a capacitor.";
    public static string NothingPluggedInIsThere => "Nothing plugged in. Is there a steady tone?";
    public static string TheDevicesOtherGroundReads => "The device's other ground reads the same: tug this wire too.";

    public static string AndAreConnected(string one, string other) => $"{one} and {other} are connected.";

    public static string AndAreNotConnected(string one, string other) => $"{one} and {other} are not connected.";

    public static string OnlyTheBoardsOwnPart(string one, string other) =>
        $"Only the board's own part is between {one} and {other}, no solder bridge.";

    public static string FixItBeforePoweringUp(string why) => $"{why} Fix it before powering up.";

    public static string TheyAreConnected => "They are connected.";
    public static string TooMuchResistanceForA =>
        "Too much resistance for a joint: the probe slips, or the joint is cold.";
    public static string PressTheProbesIntoBare =>
        "Press the probes into bare metal; if it reads the same, reflow the joint.";
    public static string OnlyTheBoardsOwnResistor => "Only the board's own resistor.";
    public static string OnlyTheBoardsOwnDiode => "Only the board's own diode.";
    public static string TooLowForOpenToo =>
        "Too low for open, too high for solder: flux, a stray strand, or a charging capacitor.";
    public static string HoldTheProbesOnFor => "Hold the probes on for 3 s; clean between the points; measure again.";
    public static string TheyAreNotConnected => "They are not connected.";

    public static string ExpectedFromTheDatasheet(string expected) => $"Expected from the datasheet: {expected}.";

    public static string SwapTheProbesAndMeasure =>
        "Swap the probes and measure again; then check the board's revision against its datasheet.";
    public static string TouchTheProbesTogetherTo =>
        "Touch the probes together to check the meter, then press them into bare metal.";
    public static string AMeterMayBeepAcross => "A meter may beep across a resistor this small.";
    public static string MeasureTheResistance => "Measure the resistance.";
    public static string NoSolderBridgeAcrossThe => "No solder bridge across the diode.";
    public static string NoSolderBridgeAcrossTheResistor => "No solder bridge across the resistor.";
    public static string TugTheWireCheckWhere => "Tug the wire, check where it really goes, then reflow the joint.";
    public static string InspectBetweenTheTwoPoints =>
        "Inspect between the two points under magnification; wick off any solder bridge.";
    public static string SupplyConnected => "Supply connected";
    public static string ThroughTheCurrentLimiter => "Through the current limiter";
    public static string UsbOnly => "USB only";

    public static string BatteryOrBenchSupplyOff(string onUsbLines) =>
        $"Battery or bench supply off.{onUsbLines} Plug USB in, hand on the plug.";

    public static string TheComputerDetectsTheBoard => "the computer detects the board, and nothing gets warm";
    public static string TheBoardRunsOnUsb => "The board runs on USB, and the computer detects it.";
    public static string TheComputerDetectsTheBoardProof => "The computer detects the board.";
    public static string UnplugItIfAnythingGets =>
        "Unplug it if anything gets warm or smells. If it is merely not detected, troubleshoot first.";
    public static string TryAnotherCableManyCarry =>
        "Try another cable: many carry power but no data. Then measure the rails below.";
    public static string PropellersOffWhileTheComputer => "Propellers off while the computer is connected.";

    public static string UnplugFirstItSharesWith(string name, string name2) =>
        $" Unplug {name} first: it shares {name2} with USB.";

    public static string SupplyVoltage => "Supply voltage";
    public static string MeasureTheSupplyBeforePlugging => "Measure the supply before plugging it in.";

    public static string TheSupplyIsAtV(double wanted) => $"The supply is at {wanted:0.##} V.";

    public static string BatteryVoltage => "Battery voltage";
    public static string MeasureTheBatteryBeforePlugging =>
        "Measure the battery before plugging it in; every later reading is computed from this one.";

    public static string ItIsAChargedS(int cells) => $"It is a charged {cells}S pack.";

    public static string NotAChargedBatteryFor =>
        "Not a charged battery for this build: wrong cell count, or probes reversed.";
    public static string CheckTheLabelAndThe => "Check the label and the balance plug.";
    public static string EmptyOrOneCellFewer => "Empty, or one cell fewer than the build says.";
    public static string ChargeItOrCountThe => "Charge it, or count the cells at the balance plug.";
    public static string LaterReadingsAreComputedFrom => "Later readings are computed from this.";
    public static string HigherThanItShouldBe => "Higher than it should be.";
    public static string MeasureAgainThenCheckThe => "Measure again; then check the label.";
    public static string TooHighForThisBuild =>
        "Too high for this build: one cell too many, or overcharged. Do not plug it in.";
    public static string DoNotLetTheProbes =>
        "Do not let the probes slip: a battery drives hundreds of amperes through a short.";
    public static string TheBenchSupply => "the bench supply";
    public static string ACurrentLimiter => "a current limiter";

    public static string TheCurrentLimiterCutsIn(string amperes) =>
        $"The current limiter cuts in. Unplug it: a short looks the same as this build's own draw of up to {amperes}.";

    public static string ItDrawsMoreThanAll =>
        "It draws more than all loads together. Unplug it: something is shorted, or a part has reversed polarity.";
    public static string UnplugTheBiggestLoadsOr =>
        "Unplug the biggest loads, or set the limiter just above the computed draw, and start again.";
    public static string UnpluggedFeelForWhatIs =>
        "Unplugged, feel for what is warm, then check each supply to ground for continuity again.";

    public static string FirstPowerUpThrough(string place) => $"First power-up through {place}";

    public static string SetToAndPowerUp(string place, string amperes) =>
        $"Set {place} to {amperes} and power up through it, hand on the plug. Read the current after 2 s.";

    public static string BelowAtThatValueThe(string amperes) =>
        $"below {amperes}: at that value the current limiter cuts in";

    public static string CurrentUnknownUnplugItAbove(string amperes) => $"current unknown; unplug it above {amperes}";

    public static string AtLeastPeak(string amperes) => $"at least {amperes} peak";

    public static string NothingDrawsMoreThanIt => "Nothing draws more than it should: no short behind the regulators.";
    public static string LessThanHalfTheComputed => "Less than half the computed current: something has no power.";
    public static string NoCurrentNothingHasPower => "No current: nothing has power, or the meter is not in the line.";
    public static string FindWhichLedStaysOff => "Find which LED stays off; measure its supply next.";
    public static string NoShortHardlyAnyCurrent => "No short: hardly any current flows.";
    public static string AsComputed => "As computed.";
    public static string HigherThanTheCurrentsThat => "Higher than the currents that are known.";
    public static string UnplugItWhichPartGets => "Unplug it. Which part gets warm? Then test each device alone.";
    public static string AntennaOnEveryTransmitterAirflow =>
        "Antenna on every transmitter, airflow over it. Power, band and region as local law and your licence allow.";
    public static string HandOnThePlugAt => "Hand on the plug: at smoke, smell or heat, unplug first, think later.";
    public static string PowerUpWithoutLimiter => "Power-up without limiter";
    public static string RemoveTheCurrentLimiterAnd =>
        "Remove the current limiter and connect the battery or supply, hand on the plug.";

    public static string EveryLedComesOnAs(string which) =>
        $"every LED comes on as before, nothing gets warm within a minute{which}";

    public static string TheBuildRunsWithoutThe => "The build runs without the current limiter.";
    public static string ItRunsWithoutTheCurrent => "It runs without the current limiter.";
    public static string UnplugItAtOnce => "Unplug it at once.";
    public static string PowerUpThroughTheCurrent =>
        "Power up through the current limiter again and measure each rail.";
    public static string ItHasPowerLedWarmth => "it has power: LED, warmth, or a reply in the board's settings";

    public static string NoLightColdIsOff(string which) => $"no light, cold: {which} is off on USB";

    public static string OnUsb(string name) => $"{name} on USB";

    public static string UsbOnlyLookAt(string name) => $"USB only: look at {name}.";

    public static string RunsOnUsb(string name) => $"{name} runs on USB.";

    public static string IsOffOnUsbAs(string name) => $"{name} is off on USB, as it should be.";

    public static string ItRunsOnUsb => "It runs on USB.";
    public static string ItStaysOffUntilThe => "It stays off until the battery is connected.";
    public static string ItShouldRunOnUsb => "It should run on USB.";
    public static string ItHasPowerAlthoughNothing =>
        "It has power although nothing should power it: it is back-fed by another path.";
    public static string MeasureTheVoltageAtIts => "Measure the voltage at its supply lead.";
    public static string MeasureItsSupplyLeadWhat => "Measure its supply lead: what powers it, and through which pin?";
    public static string NotConfirmedADeviceWithout => "Not confirmed: a device without an LED shows nothing.";
    public static string MeasureItsSupplyLead => "Measure its supply lead.";
    public static string TheBuildHasChangedReload => "The build has changed. Reload; this reading was not saved.";

    public static string TheBuildBehindHasChanged(string title) =>
        $"The build behind \"{title}\" has changed since it was measured. Measure again; this reading was not saved.";

    public static string ThisReadingWasNotSaved(string danger) =>
        $"{danger} This reading was not saved. Give a reason to do it anyway.";

    public static string TheReasonHasCharactersThe(int length, int mostReason) =>
        $"The reason has {length} characters; the limit is {mostReason}.";

    public static string AnswerYesNoOrUnsure => "Answer yes, no or unsure.";
    public static string AnswerYesNoOrUnsureOr => "Answer yes, no or unsure, or enter a number.";

    public static string AnswerWithYesNoOr(string title) => $"Answer \"{title}\" with yes, no or unsure, not a number.";

    public static string IsMeasuredInNotIn(string title, string name, string name2) =>
        $"\"{title}\" is measured in {name}, not in {name2}. Set the meter to the right range and measure again.";

    public static string IsNotPossibleHereCheck(double value, string name) =>
        $"{value} {name} is not possible here; check the decimal point and the meter's range.";

    public static string RailIsAtItsPlanned(string label) => $"{label} rail is at its planned voltage.";

    public static string HasTheVoltageItNeeds(string name) => $"{name} has the voltage it needs.";

    public static string MeasureTheVoltage(string fed) => $"{fed}: measure the voltage.";

    public static string NoVoltageBelow05 => "no voltage: below 0.5 V";
    public static string ReversedPolarityMinusIsWhere =>
        "Reversed polarity: minus is where plus should be, or the probes are swapped.";
    public static string SwapTheProbesAndRead =>
        "Swap the probes and read again. Still negative: unplug at once, and do not connect the device.";

    public static string NoVoltageComputedNotPowered(string volts) =>
        $"No voltage, {volts} computed: not powered, or a short pulls it down.";

    public static string UnplugCheckThisPointTo =>
        "Unplug. Check this point to ground for continuity; then check the solder jumper or regulator that powers it.";
    public static string FarBelowTheComputedVoltage => "Far below the computed voltage.";

    public static string BelowTheVoltageNeededHere(string volts) => $"Below the voltage needed here ({volts}).";

    public static string IsTheCurrentLimiterCutting =>
        "Is the current limiter cutting in? Then unplug the devices one by one.";

    public static string MarginalJustBelowTheVoltage(string volts) =>
        $"Marginal: just below the voltage needed here ({volts}).";

    public static string UseAShorterOrThicker => "Use a shorter or thicker wire, or another rail; land earlier.";
    public static string LowerThanComputedButStill => "Lower than computed, but still enough.";
    public static string MeasureAtThePadThe => "Measure at the pad: the difference is the drop in the wire.";
    public static string ItFollowsTheBattery => "It follows the battery.";
    public static string HigherThanComputedButNot => "Higher than computed, but not too high.";
    public static string MeasureAgainAtTheRegulator =>
        "Measure again at the regulator; is this the battery you measured?";
    public static string FarAboveTheComputedVoltage => "Far above the computed voltage. Unplug it.";

    public static string AboveTheMaximumForWhat(string volts) =>
        $"Above the maximum for what it powers ({volts}). Unplug it before it is destroyed.";

    public static string UnplugCheckTheVoltageJumper =>
        "Unplug. Check the voltage jumper that selects it, and where its wire really goes.";

    public static string OutdoorsWithAFix => ", outdoors with a GPS fix";
    public static string AndFrom => " and from ";

    public static string ItDraws(string least, string amperes) => $"; it draws {least} {amperes}";

    public static string AtLeast => "at least ";
    public static string NoLess => "at least";
    public static string ItsSupply => "its supply";
}
