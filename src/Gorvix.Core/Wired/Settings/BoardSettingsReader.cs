using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Wired.Navigation;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Wired.Words;

namespace Gorvix.Core.Wired.Settings;

/// <summary>The switches of the build as a whole, of its devices and of the radio (common practice where nothing else is said).</summary>
internal sealed class BoardSettingsReader(WiredBuild wired, DateOnly? today)
{
    private readonly Build _build = wired.Build.Build;
    private readonly BuildSettings _chosen = wired.Build.Build.Settings;
    private readonly FirmwareProfile? _firmware = wired.Build.Firmware;

    private PortSet? PortOf(Need need) =>
        wired.Ports.FirstOrDefault(p => wired.Build.Links.First(l => l.Id == p.Link).Function.Need == need);

    /// <summary>Whether a level of the battery's current reaches the board: asked for, or brought along by a plug.</summary>
    public bool SensesCurrent =>
        wired.Leads.Any(l =>
            l is { Lead.Role: LeadRole.Sense, Pad: not null }
            && wired
                .Build.Circuit.From(l.Pad!)
                .Any(s =>
                    s.To.Kind == NodeKind.Net
                    && s.Conducts(wired.Positions())
                    && wired.Build.Board.Ports.Any(p =>
                        p.Kind == PortKind.Analogue && p.Rx == s.To.Id && p.Reads is null or AnalogueReading.Current
                    )
                )
        );

    /// <summary>Whether the battery's volts reach the board: on its own supply wire, or by a link for them where something else powers it.</summary>
    public bool SensesVoltage =>
        _build.InputVolts is null
        || wired.Ports.Any(p =>
            p.Port.Reads is null or AnalogueReading.BatteryVoltage
            && wired.Build.Links.First(l => l.Id == p.Link).Function.Need == Need.BatterySensing
        );

    /// <summary>The compass's link, or null.</summary>
    public PortSet? Compass => PortOf(Need.Compass);

    /// <summary>The GNSS module's link, or null.</summary>
    public PortSet? Gnss => PortOf(Need.Gps);

    /// <summary>How the module is to be set up, with why.</summary>
    public (GnssWay Way, string Why) WayOf(Device module) =>
        (_chosen.GnssWay, module.Memory) switch
        {
            ({ } chosen, _) => (chosen, Sentences.YouChoseThis),
            (null, SetupMemory.Loses) => (GnssWay.Board, Sentences.TheModuleHasNeitherBattery),
            (null, SetupMemory.Saves) => (GnssWay.Stored, Sentences.TheModuleSavesSettingsConfigure),
            _ => (GnssWay.Board, Sentences.TheDatasheetDoesNotSay),
        };

    /// <summary>True when the house rule asks for return-to-home and nothing tells the position.</summary>
    public bool LacksPosition => _build.House.Failsafe == LossAct.ReturnToHome && !HasPosition && wired.Ports.Count > 0;

    private bool ReturnsHome => _build.House.Failsafe == LossAct.ReturnToHome && HasPosition;

    // By its wires: a port that was cleared on the aircraft changes nothing of what is meant.
    private bool HasPosition =>
        wired.Leads.Any(l =>
            l is { Link: { } link, Pad: not null }
            && wired.Build.Links.First(x => x.Id == link).Function.Need == Need.Gps
        );

    /// <summary>The settings of the build as a whole.</summary>
    public IEnumerable<Setting> OfBoard()
    {
        Setting Whole(string key, string value, string words, string why, string? link = null) =>
            new(key, SettingPlace.Board, value, words, why) { Link = link };
        if (PortOf(Need.RcLink) is { } control)
        {
            var kind = control.Settings.Job == PortJob.PulseInput ? "pulses" : "serial";
            var inside = wired.Build.Board.BuiltIns.Any(b => b.Gives == Need.RcLink);
            yield return Whole(
                "receiver.kind",
                kind,
                $"Receiver: {(kind == "pulses" ? "PPM/PWM" : kind)}{(inside ? Sentences.NotTheBuiltInOne : "")}",
                inside ? Sentences.TheBoardHasABuilt : Sentences.ItHasItsOwnPort,
                control.Link
            );
            yield return Whole(
                "receiver.protocol",
                control.Settings.Protocol.Replace(' ', '-'),
                Sentences.ReceiverProtocol(control.Settings.Protocol),
                Sentences.PortAndReceiverMustUse,
                control.Link
            );
        }
        else if (wired.Build.Board.BuiltIns.Any(b => b.Gives == Need.RcLink))
        {
            yield return Whole("receiver.kind", "built-in", Sentences.ReceiverBuiltIn, Sentences.TheBoardHasOneAnd);
        }
        var telemetry = TelemetryReader.WayOf(wired);
        yield return Whole(
            "telemetry",
            telemetry is null ? "off" : "on",
            telemetry is null ? Sentences.TelemetryOff : Sentences.TelemetryOn,
            telemetry is null ? Sentences.NoLinkBackToThe : Sentences.TelemetryReturns(telemetry)
        );
        yield return SensesVoltage
            ? Whole(
                "battery.voltage",
                "on",
                Sentences.BatteryVoltageMeasuredByThe,
                _build.InputVolts is null ? Sentences.MeasuredOnTheBoardsOwn : Sentences.MeasuredAtItsBatterySense
            )
            : Whole(
                "battery.voltage",
                "off",
                Sentences.BatteryVoltageOff,
                Sentences.TheBoardIsPoweredFrom(_build.InputVolts)
            );
        yield return Whole(
            "battery.current",
            SensesCurrent ? "on" : "off",
            SensesCurrent ? Sentences.BatteryCurrentMeasuredByThe : Sentences.BatteryCurrentOff,
            SensesCurrent ? Sentences.TheSignalOfTheEsc : Sentences.NoCurrentSensorLeadReaches
        );
        foreach (var setting in OfGnss(Whole).Concat(OfCompass(Whole)).Concat(OfCanvas(Whole)))
        {
            yield return setting;
        }
        if (_chosen.StrengthChannel is { } channel)
        {
            yield return Whole(
                "strength.channel",
                $"{channel}",
                Sentences.RssiReadFromChannel(channel),
                channel == 9 ? Sentences.TheReceiverPutsItOnTheNinth : Sentences.TheReceiverPutsItThere
            );
        }
        yield return Whole(
            "failsafe",
            ReturnsHome ? "return-home" : "drop",
            ReturnsHome ? Sentences.RcLinkLostReturnTo : Sentences.RcLinkLostMotorsOff,
            LacksPosition
                ? Sentences.NoGpsIsConnectedReturn
                : HouseSchools.ReasonOf("failsafe", Phrase.Lower($"{_build.House.Failsafe}"))
        );
        if (Gnss is not null)
        {
            yield return Whole(
                "arming.fix",
                _build.House.Arming == ArmingFix.FixRequired ? "required" : "optional",
                _build.House.Arming == ArmingFix.FixRequired
                    ? Sentences.ArmingWithoutAGpsFix
                    : Sentences.ArmingWithoutAGpsFixAllowed,
                HouseSchools.ReasonOf("arming", Phrase.Lower($"{_build.House.Arming}"))
            );
        }
    }

    private IEnumerable<Setting> OfGnss(Func<string, string, string, string, string?, Setting> whole)
    {
        if (Gnss is not { } gnss)
        {
            yield break;
        }
        var module = wired.Build.Links.First(l => l.Id == gnss.Link).Device;
        yield return whole("gnss", "on", Sentences.GnssOn, Sentences.ThePortFunctionAloneDoes, gnss.Link);
        yield return whole(
            "gnss.protocol",
            gnss.Settings.Protocol,
            Sentences.GnssProtocol(gnss.Settings.Protocol),
            Sentences.PortModuleAndFirmwareMust,
            gnss.Link
        );
        var (way, why) = WayOf(module);
        yield return whole(
            "gnss.setup",
            way == GnssWay.Board ? "at-start" : "stored",
            way == GnssWay.Board ? Sentences.GnssConfigurationByTheBoard : Sentences.GnssConfigurationOffTheModule,
            why,
            gnss.Link
        ) with
        {
            // A module that has its settings works when the board sets them once more.
            IsVital = way == GnssWay.Board,
        };
        yield return whole(
            "gnss.assistance",
            "auto",
            Sentences.SbasAutomatic,
            Sentences.ItUsesTheRegionalSystem,
            gnss.Link
        ) with
        {
            IsVital = false,
        };
    }

    private IEnumerable<Setting> OfCompass(Func<string, string, string, string, string?, Setting> whole)
    {
        if (Compass is not { } compass)
        {
            yield break;
        }
        var address = compass.Mode.Strapped?.Address ?? compass.Mode.Address;
        var bus = compass.Port.Name;
        yield return whole("compass", "on", Sentences.CompassOn, Sentences.DetectedIsNotEnabledIt, compass.Link);
        yield return whole(
            "compass.bus",
            address is { } at ? $"{bus}:0x{at:X2}" : bus,
            Sentences.CompassOnBus(bus, address is { } a ? $" at 0x{a:X2}" : ""),
            Sentences.ThatIsWhereItIs,
            compass.Link
        );
        var count = CompassReader.OnBus(wired, compass.Port);
        yield return whole(
            "bus.devices",
            $"{count}",
            Sentences.DevicesOn(bus, count),
            Sentences.SomeFirmwareDetectsNothingIf,
            compass.Link
        );
        yield return whole(
            "compass.turn",
            CompassReader.TurnOf(_chosen),
            Sentences.CompassOrientation(CompassReader.TurnWords(_chosen)),
            Sentences.ItsArrowRelativeToThe,
            compass.Link
        ) with
        {
            IsVital = false,
        };
        if (_chosen.Place is { } place && today is { } day)
        {
            var declination = Declination.Of(place.Latitude, place.Longitude, day);
            var packed = _firmware?.Declination == DeclinationForm.Packed;
            if (declination.Degrees is null)
            {
                yield return whole(
                    SettingsSheet.Declination,
                    "",
                    Sentences.DeclinationNoneAtAPole,
                    declination.Warning!,
                    compass.Link
                ) with
                {
                    IsVital = false,
                };
            }
            if (declination is { Degrees: { } degrees, Packed: { } number })
            {
                yield return whole(
                    SettingsSheet.Declination,
                    packed ? $"{number}" : degrees.ToString("0.00", System.Globalization.CultureInfo.InvariantCulture),
                    $"Declination: {declination.Words}{(packed ? Sentences.PackedAs(number) : "")}",
                    Sentences
                        .WorldMagneticModel2025For(
                            day.ToString("d MMMM yyyy", System.Globalization.CultureInfo.InvariantCulture),
                            declination.Error,
                            declination.Warning
                        )
                        .TrimEnd(),
                    compass.Link
                ) with
                {
                    IsVital = false,
                };
            }
        }
    }

    private IEnumerable<Setting> OfCanvas(Func<string, string, string, string, string?, Setting> whole)
    {
        if (PortOf(Need.Osd) is not { } text)
        {
            yield break;
        }
        var wide = _chosen.Canvas == CanvasGrid.Wide;
        yield return whole(
            "canvas.grid",
            wide ? "wide" : "old",
            wide ? Sentences.OsdCanvasWideGrid : Sentences.OsdCanvasOld43,
            _chosen.Canvas is null ? Sentences.NoGridIsSetFor
                : wide ? Sentences.AirUnitGogglesAndBoard
                : Sentences.ItSitsInTheMiddle,
            text.Link
        ) with
        {
            // The other grid is in the wrong place, and still there.
            IsVital = false,
        };
        foreach (var (i, extra) in (_firmware?.CanvasSettings ?? []).Index())
        {
            yield return whole(
                $"canvas.extra.{i + 1}",
                extra.Replace(' ', '-'),
                Phrase.Upper(extra),
                Sentences.ThisFirmwareGenerationNeedsIt,
                text.Link
            );
        }
    }

    /// <summary>The settings of devices, as the plan needs them.</summary>
    public IEnumerable<Setting> OfDevices() =>
        from work in wired.Work
        where work.Action is WorkAction.SetMode or WorkAction.SetBaud
        select new Setting(
            $"device.{work.Device}.{(work.Action == WorkAction.SetBaud ? "baud" : "mode")}{(work.Setting is { } s ? $".{s.Replace(' ', '-')}" : "")}",
            SettingPlace.Device,
            work.Baud is { } baud ? $"{baud}" : (work.Setting ?? work.Firmware ?? "").Replace(' ', '-'),
            WorkWords.Of(work, wired.Build),
            Sentences.TheChosenConnectionNeedsIt
        )
        {
            Device = work.Device,
        };

    /// <summary>The settings of the radio.</summary>
    public IEnumerable<Setting> OfRadio()
    {
        Setting Radio(string key, string value, string words, string why) =>
            new($"radio.{key}", SettingPlace.Radio, value, words, why);
        foreach (var (i, work) in wired.Work.Where(w => w.Action == WorkAction.SetRadio).Index())
        {
            yield return Radio($"bay.{i + 1}", "", WorkWords.Of(work, wired.Build), Sentences.TheModuleBayCannotRun);
        }
        if (PortOf(Need.RcLink) is not { } control)
        {
            yield break;
        }
        if (_chosen.Channels is { } channels)
        {
            yield return Radio(
                "channels",
                $"{channels}",
                Sentences.OnTheRadioChannels(channels),
                channels > 8 ? Sentences.Of8ChannelsHaveLowerLatency : Sentences.FewChannelsKeepLatencyLow
            );
        }
        if (TelemetryReader.WayOf(wired) is not null)
        {
            yield return Radio("telemetry", "on", Sentences.OnTheRadioTelemetryOn, Sentences.IfOffNothingIsShown);
            yield return Radio(
                "sensors",
                "found-anew",
                Sentences.OnTheRadioDeleteOld,
                Sentences.ABlinkingMarkerMeansLive
            );
        }
        yield return Radio(
            "region",
            "as-licensed",
            Sentences.RadioAndReceiverSameRegion,
            Sentences.RegionModeAndPowerAs(control.Settings.Protocol)
        );
    }
}
