namespace Gorvix.Core.Wired.Settings;

/// <summary>What the floor Settings says: every sentence with what it is filled with.</summary>
internal static class Sentences
{
    public static string YouChoseThis => "You chose this.";
    public static string TheModuleHasNeitherBattery =>
        "The module has neither battery nor flash and loses settings without power: the board must configure it at each start.";
    public static string TheModuleSavesSettingsConfigure =>
        "The module saves settings: configure it once through an adapter; it is ready sooner, and nothing is sent at the start.";
    public static string TheDatasheetDoesNotSay =>
        "The datasheet does not say whether it saves settings; configured at each start it works either way.";
    public static string NotTheBuiltInOne => ", not the built-in one";
    public static string TheBoardHasABuilt =>
        "The board has a built-in receiver; the firmware must be set to use the external one.";
    public static string ItHasItsOwnPort => "It has its own port.";

    public static string ReceiverProtocol(string protocol) => $"Receiver protocol: {protocol}";

    public static string PortAndReceiverMustUse => "Port and receiver must use the same protocol.";
    public static string ReceiverBuiltIn => "Receiver: built-in";
    public static string TheBoardHasOneAnd => "The board has one, and no other is connected.";
    public static string TelemetryOff => "Telemetry: off";
    public static string TelemetryOn => "Telemetry: on";
    public static string NoLinkBackToThe => "No link back to the radio.";

    public static string TelemetryReturns(string telemetry) => $"Telemetry returns {telemetry}.";

    public static string BatteryVoltageMeasuredByThe => "Battery voltage: measured by the board";
    public static string MeasuredOnTheBoardsOwn =>
        "Measured on the board's own supply wire. With sensing off, it never reaches the radio or the goggles.";
    public static string MeasuredAtItsBatterySense =>
        "Measured at its battery sense input. With sensing off, it never reaches the radio or the goggles.";
    public static string BatteryVoltageOff => "Battery voltage: off";

    public static string TheBoardIsPoweredFrom(double? inputVolts) =>
        $"The board is powered from {inputVolts:0.0#} V: its own supply wire shows that, not the battery.";

    public static string BatteryCurrentMeasuredByThe => "Battery current: measured by the board";
    public static string BatteryCurrentOff => "Battery current: off";
    public static string TheSignalOfTheEsc => "The signal of the ESC current sensor reaches the board.";
    public static string NoCurrentSensorLeadReaches => "No current sensor lead reaches the board.";

    public static string RssiReadFromChannel(int channel) => $"RSSI: read from channel {channel}";

    public static string TheReceiverPutsItOnTheNinth =>
        "The receiver puts it there; the ninth channel also arrives in 8-channel mode.";
    public static string TheReceiverPutsItThere => "The receiver puts it there.";
    public static string RcLinkLostReturnTo => "RC link lost: return-to-home";
    public static string RcLinkLostMotorsOff => "RC link lost: motors off";
    public static string NoGpsIsConnectedReturn => "No GPS is connected: return-to-home cannot find home.";
    public static string ArmingWithoutAGpsFix => "Arming without a GPS fix: never";
    public static string ArmingWithoutAGpsFixAllowed => "Arming without a GPS fix: allowed";
    public static string GnssOn => "GNSS: on";
    public static string ThePortFunctionAloneDoes => "The port function alone does nothing without it.";

    public static string GnssProtocol(string protocol) => $"GNSS protocol: {protocol}";

    public static string PortModuleAndFirmwareMust => "Port, module and firmware must match.";
    public static string GnssConfigurationByTheBoard => "GNSS configuration: by the board at each start";
    public static string GnssConfigurationOffTheModule => "GNSS configuration: off, the module uses its saved settings";
    public static string SbasAutomatic => "SBAS: automatic";
    public static string ItUsesTheRegionalSystem => "It uses the regional system that the satellites report.";
    public static string CompassOn => "Compass: on";
    public static string DetectedIsNotEnabledIt => "Detected is not enabled: it must be switched on.";

    public static string CompassOnBus(string bus, string which) => $"Compass: on {bus}{which}";

    public static string ThatIsWhereItIs => "That is where it is wired.";

    public static string DevicesOn(string bus, int count) => $"Devices on {bus}: {count}";

    public static string SomeFirmwareDetectsNothingIf =>
        "Some firmware detects nothing if this number is wrong; an onboard barometer counts.";

    public static string CompassOrientation(string turnWords) => $"Compass orientation: {turnWords}";

    public static string ItsArrowRelativeToThe => "Its arrow relative to the nose of the aircraft, as you entered it.";
    public static string DeclinationNoneAtAPole => "Declination: none at a pole";

    public static string PackedAs(int number) => $", packed as {number}";

    public static string WorldMagneticModel2025For(string day, double? error, string? warning) =>
        $"World Magnetic Model 2025 for {day}, within {error:0.0#}°. {warning}";

    public static string OsdCanvasWideGrid => "OSD canvas: wide grid";
    public static string OsdCanvasOld43 => "OSD canvas: old 4:3 grid";
    public static string NoGridIsSetFor =>
        "No grid is set for air unit and goggles; all of them draw the old grid. It sits in the middle of wide video.";
    public static string AirUnitGogglesAndBoard => "Air unit, goggles and board all support it.";
    public static string ItSitsInTheMiddle => "It sits in the middle of wide video.";
    public static string ThisFirmwareGenerationNeedsIt =>
        "This firmware generation needs it as well as the port function.";
    public static string TheChosenConnectionNeedsIt => "The chosen connection needs it.";
    public static string TheModuleBayCannotRun => "The module bay cannot run any faster.";

    public static string OnTheRadioChannels(int channels) => $"On the radio: {channels} channels";

    public static string Of8ChannelsHaveLowerLatency => "8 channels have lower latency.";
    public static string FewChannelsKeepLatencyLow => "Few channels keep latency low.";
    public static string OnTheRadioTelemetryOn => "On the radio: telemetry on";
    public static string IfOffNothingIsShown => "If off, nothing is shown, whatever the aircraft sends.";
    public static string OnTheRadioDeleteOld =>
        "On the radio: delete old sensors, then rediscover them with the aircraft powered";
    public static string ABlinkingMarkerMeansLive =>
        "A blinking marker means live data; a steady marker is only the last value.";
    public static string RadioAndReceiverSameRegion => "Radio and receiver: same region mode";

    public static string RegionModeAndPowerAs(string protocol) =>
        $"Region mode and power as local law and your licence allow. Both ends of {protocol} must be in the same region mode, or they do not bind.";

    public static string PropellersOffOnBatteryAway =>
        "Propellers off, on battery, away from iron, cars and reinforced concrete.";
    public static string StartTheCalibrationInThe =>
        "Start the calibration in the settings; for about 30 s rotate the aircraft slowly about all three axes, both ways each.";
    public static string PointTheNoseNorthBy =>
        "Point the nose north by a hand compass: without a declination set, the heading must read about 0° and follow when you turn it.";
    public static string PointTheNoseNorthByA =>
        "Point the nose north by a hand compass: the heading must read the declination (3° east reads 3°, 3° west 357°) and follow when you turn it.";
    public static string AHeadingOffBy90 =>
        "A heading off by 90° or 180° means a wrong orientation setting, not a bad calibration.";
    public static string KeepItAwayFromThe =>
        "Keep it away from the VTX, motor wires, battery leads and the buzzer; twist the battery leads.";
    public static string UpsideDown => ", upside down";

    public static string ATagHasCharactersInside(int length, int mostInside) =>
        $"A tag has {length} characters inside; the limit is {mostInside}. Split it, or close it.";

    public static string BracketsAreNestedMoreThan(int mostDeep) => $"Brackets are nested more than {mostDeep} deep.";

    public static string TagsAreNestedMoreThan(int mostDeep) => $"Tags are nested more than {mostDeep} deep.";

    public static string TheFilterProducesMoreThan(string name, int mostItems) =>
        $"The filter \"{name}\" produces more than {mostItems} items.";

    public static string TheFilterProducesMoreThanCharacters(string name, int mostText) =>
        $"The filter \"{name}\" produces more than {mostText} characters.";

    public static string ARangeNeedsTwoPlain(int mostRange) =>
        $"A range needs two plain numbers, neither beyond {mostRange}.";

    public static string TheTagCaptureIsNot =>
        "The tag \"capture\" is not available: captured text can grow without limit.";

    public static string NoFunctionClearIt(string name) => $"{name}: no function (clear it)";

    public static string ItHadAFunctionAnd =>
        "It had a function, and the plan no longer uses it. If two ports share a function, the board clears all port settings.";

    public static string IsTheUsbLinkTo(string name) =>
        $"{name} is the USB link to the computer: switch it off and the board can no longer be reached.";

    public static string SharesItsLinesWithThe(string name) =>
        $"{name} shares its lines with the USB socket: unplug its device before connecting the computer.";

    public static string ConnectsTo => "connects to";
    public static string ReceivesFrom => "receives from";
    public static string TransmitsTo => "transmits to";
    public static string RxInverted => "RX inverted";
    public static string TxInverted => "TX inverted";
    public static string HalfDuplexOnTx => "half-duplex on TX";
    public static string RxTxSwapped => "RX/TX swapped";

    public static string OnPins(string pins) => $"on pins {pins}";

    public static string WiredTo(string pads) => $"Wired to {pads}.";

    public static string HalfDuplexOneWireFor(string at) =>
        $"{at} Half-duplex: one wire for both directions, on the pin that can do both.";

    public static string TheSignalArrivesInvertedAnd(string at) =>
        $"{at} The signal arrives inverted, and this controller can invert it back in the settings.";

    public static string RxAndTxAreNot(string at) =>
        $"{at} RX and TX are not crossed in the wiring: the controller swaps its pins.";

    public static string AnInverterInThePath(string at) =>
        $"{at} An inverter in the path corrects the inverted signal: no inversion is set here.";

    public static string OneDeviceOnePort(string at) => $"{at} One device, one port.";

    public static string IsNotInTheDump(string name, string words) => $"{name} is not in the dump; should be: {words}.";

    public static string HasAnUnplannedFunctionRemove(string name, string line) =>
        $"{name} has an unplanned function ({line}). Remove it: a port with a function transmits.";

    public static string HasNoFunctionShouldBe(string name, string words) =>
        $"{name} has no function; should be: {words}.";

    public static string StillHasAFunctionClear(string name, string found) =>
        $"{name} still has a function ({found}). Clear it: if two ports share a function, the board clears all port settings.";

    public static string IsShouldBe(string which, string read, string wanted) =>
        $"{which}is {read}, should be {wanted}";

    public static string ThisDumpIsFromAnother(string other, string id) =>
        $"This dump is from another board: it says {other}, the build has {id}. Nothing in it was used.";

    public static string NothingRecognisedPasteTheBoards =>
        "Nothing recognised. Paste the board's whole dump, or add a pattern for its format.";
    public static string NoPortHasAFunction =>
        "No port has a function: two functions on one port, or nothing saved, and the board cleared its port settings. Set all ports again, in one go.";
    public static string AllSettingsMatchThePlan => "All settings match the plan.";

    public static string FromThePlan(string count) => $"{count} from the plan.";

    public static string NotSet => "Not set";
    public static string BuildSettings => "Build settings";
    public static string SaveTwoDumpsFirstFull =>
        "Save two dumps first, full and diff from default, with the date and the firmware version.";
    public static string ClearThePortsThatLose => "Clear the ports that lose their function.";
    public static string SetThePortsFirstIn =>
        "Set the ports first, in one go; two functions on one port clear all port settings. Leave the USB link's port as it is.";
    public static string SaveLetTheBoardRestart => "Save, let the board restart, reconnect.";
    public static string ThenSetTheRestOf => "Then set the rest of the board; save and reconnect.";
    public static string ReadBackTheBoardsDump => "Read back the board's dump and compare it.";
    public static string ThenSetDevicesAndRadio => "Then set devices and radio.";
    public static string PropellersOffWhileTheComputer => "Propellers off while the computer is connected.";
    public static string AntennaOnEveryTransmitterAnd =>
        "Antenna on every transmitter and airflow over it before connecting the battery.";
    public static string ReturnToHomeIsNo =>
        "Return-to-home is no guarantee of rescue: test it in an open, safe place, by your local rules.";

    public static string TheTemplateHasCharactersThe(int length, int mostTemplate) =>
        $"The template has {length} characters; the limit is {mostTemplate}.";

    public static string TheTemplateRunsForToo =>
        "The template runs for too long: a loop does not end, or runs inside another loop.";

    public static string TheTemplateFailed(string trimEnd) => $"The template failed: {trimEnd}.";

    public static string ThePatternHasCharactersThe(int length, int mostTemplate) =>
        $"The pattern has {length} characters; the limit is {mostTemplate}.";

    public static string BracketsInThePatternAre(int mostDeep) =>
        $"Brackets in the pattern are nested too deep; the limit is {mostDeep}.";

    public static string ThePatternIsNotA(string trimEnd) =>
        $"The pattern is not a usable regular expression: {trimEnd}.";

    public static string ThePatternHasNoNamed =>
        "The pattern has no named group: it needs a group \"port\", or groups \"key\" and \"value\".";

    public static string ThePatternIsTooSlow(int line) => $"The pattern is too slow on line {line}. Simplify it.";

    public static string TheTemplateHasAnError(string trimEnd) => $"The template has an error: {trimEnd}.";

    public static string TheTemplateProducesMoreThan(int most) => $"The template produces more than {most} characters.";

    public static string TheTemplateTakesLongerThan => "The template takes longer than two seconds.";

    public static string InBandOverTheRc(string protocol) => $"in-band over the RC link, {protocol}";

    public static string ABlinkingMarkerMeansLiveData =>
        "A blinking marker means live data; a steady marker is only the last value. Sensors with a minus or plus show the lowest and highest seen.";
    public static string IfEachValueArrivesOnly =>
        "If each value arrives only once, the receiver has old firmware: values update once only until you update it.";

    public static string NotKnownRunsBothWays(string protocol) =>
        $"Not known: {protocol} runs both ways, but the receiver's part file names no telemetry.";

    public static string TelemetryIsNotConnected => "Telemetry is not connected.";
    public static string NoTelemetryTheRcLink => "No telemetry: the RC link is one-way.";
    public static string NoGnssModuleConnected => "No GNSS module connected.";
    public static string NoEscTelemetryConnected => "No ESC telemetry connected.";
    public static string LinkQualityAndRssi => "link quality and RSSI";
    public static string BatteryVoltage => "battery voltage";
    public static string TheBoardIsNotPowered =>
        "The board is not powered from the battery and does not see its voltage.";
    public static string BatteryCurrentAndChargeUsed => "battery current and charge used";
    public static string EscCurrentSensor => "ESC current sensor";
    public static string PitchRollAndYaw => "pitch, roll and yaw";
    public static string FlightMode => "flight mode";
    public static string PositionSpeedAndCourse => "position, speed and course";
    public static string GnssModule => "GNSS module";
    public static string GnssModuleOrOnboardBarometer => "GNSS module or onboard barometer";
    public static string OnboardBarometer => "onboard barometer";
    public static string NoGnssModuleConnectedThe =>
        "No GNSS module connected; the board's datasheet does not say whether it has a barometer.";
    public static string NoCompassConnected => "No compass connected.";
    public static string MotorRpmAndEscTemperature => "motor RPM and ESC temperature";
    public static string HeightAboveGround => "height above ground";

    public static string HzDoesNotFitA(double hertz, double max, int? most) =>
        $"{hertz:0} Hz does not fit: a frame takes {max:0.00} ms; the maximum is {most} Hz.";

    public static string StickLatencyIsUpTo(double worst) =>
        $"Stick latency is up to {worst:0.0} ms, not counting time in the air.";

    public static string NotSetThere => "not set";
    public static string SettingDiffers => "setting differs";
    public static string SettingsDiffer => "settings differ";
}
