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
            ({ } chosen, _) => (chosen, "You chose this."),
            (null, SetupMemory.Loses) => (
                GnssWay.Board,
                "The module has neither battery nor flash and loses settings without power: the board must configure it at each start."
            ),
            (null, SetupMemory.Saves) => (
                GnssWay.Stored,
                "The module saves settings: configure it once through an adapter; it is ready sooner, and nothing is sent at the start."
            ),
            _ => (
                GnssWay.Board,
                "The datasheet does not say whether it saves settings; configured at each start it works either way."
            ),
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
                $"Receiver: {(kind == "pulses" ? "PPM/PWM" : kind)}{(inside ? ", not the built-in one" : "")}",
                inside
                    ? "The board has a built-in receiver; the firmware must be set to use the external one."
                    : "It has its own port.",
                control.Link
            );
            yield return Whole(
                "receiver.protocol",
                control.Settings.Protocol.Replace(' ', '-'),
                $"Receiver protocol: {control.Settings.Protocol}",
                "Port and receiver must use the same protocol.",
                control.Link
            );
        }
        else if (wired.Build.Board.BuiltIns.Any(b => b.Gives == Need.RcLink))
        {
            yield return Whole(
                "receiver.kind",
                "built-in",
                "Receiver: built-in",
                "The board has one, and no other is connected."
            );
        }
        var telemetry = TelemetryReader.WayOf(wired);
        yield return Whole(
            "telemetry",
            telemetry is null ? "off" : "on",
            telemetry is null ? "Telemetry: off" : "Telemetry: on",
            telemetry is null ? "No link back to the radio." : $"Telemetry returns {telemetry}."
        );
        yield return SensesVoltage
            ? Whole(
                "battery.voltage",
                "on",
                "Battery voltage: measured by the board",
                _build.InputVolts is null
                    ? "Measured on the board's own supply wire. With sensing off, it never reaches the radio or the goggles."
                    : "Measured at its battery sense input. With sensing off, it never reaches the radio or the goggles."
            )
            : Whole(
                "battery.voltage",
                "off",
                "Battery voltage: off",
                $"The board is powered from {_build.InputVolts:0.0#} V: its own supply wire shows that, not the battery."
            );
        yield return Whole(
            "battery.current",
            SensesCurrent ? "on" : "off",
            SensesCurrent ? "Battery current: measured by the board" : "Battery current: off",
            SensesCurrent
                ? "The signal of the ESC current sensor reaches the board."
                : "No current sensor lead reaches the board."
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
                $"RSSI: read from channel {channel}",
                channel == 9
                    ? "The receiver puts it there; the ninth channel also arrives in 8-channel mode."
                    : "The receiver puts it there."
            );
        }
        yield return Whole(
            "failsafe",
            ReturnsHome ? "return-home" : "drop",
            ReturnsHome ? "RC link lost: return-to-home" : "RC link lost: motors off",
            LacksPosition
                ? "No GPS is connected: return-to-home cannot find home."
                : HouseSchools.ReasonOf("failsafe", Phrase.Lower($"{_build.House.Failsafe}"))
        );
        if (Gnss is not null)
        {
            yield return Whole(
                "arming.fix",
                _build.House.Arming == ArmingFix.FixRequired ? "required" : "optional",
                _build.House.Arming == ArmingFix.FixRequired
                    ? "Arming without a GPS fix: never"
                    : "Arming without a GPS fix: allowed",
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
        yield return whole("gnss", "on", "GNSS: on", "The port function alone does nothing without it.", gnss.Link);
        yield return whole(
            "gnss.protocol",
            gnss.Settings.Protocol,
            $"GNSS protocol: {gnss.Settings.Protocol}",
            "Port, module and firmware must match.",
            gnss.Link
        );
        var (way, why) = WayOf(module);
        yield return whole(
            "gnss.setup",
            way == GnssWay.Board ? "at-start" : "stored",
            way == GnssWay.Board
                ? "GNSS configuration: by the board at each start"
                : "GNSS configuration: off, the module uses its saved settings",
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
            "SBAS: automatic",
            "It uses the regional system that the satellites report.",
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
        yield return whole(
            "compass",
            "on",
            "Compass: on",
            "Detected is not enabled: it must be switched on.",
            compass.Link
        );
        yield return whole(
            "compass.bus",
            address is { } at ? $"{bus}:0x{at:X2}" : bus,
            $"Compass: on {bus}{(address is { } a ? $" at 0x{a:X2}" : "")}",
            "That is where it is wired.",
            compass.Link
        );
        var count = CompassReader.OnBus(wired, compass.Port);
        yield return whole(
            "bus.devices",
            $"{count}",
            $"Devices on {bus}: {count}",
            "Some firmware detects nothing if this number is wrong; an onboard barometer counts.",
            compass.Link
        );
        yield return whole(
            "compass.turn",
            CompassReader.TurnOf(_chosen),
            $"Compass orientation: {CompassReader.TurnWords(_chosen)}",
            "Its arrow relative to the nose of the aircraft, as you entered it.",
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
                    "Declination: none at a pole",
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
                    $"Declination: {declination.Words}{(packed ? $", packed as {number}" : "")}",
                    $"World Magnetic Model 2025 for {day.ToString("d MMMM yyyy", System.Globalization.CultureInfo.InvariantCulture)}, within {declination.Error:0.0#}°. {declination.Warning}".TrimEnd(),
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
            wide ? "OSD canvas: wide grid" : "OSD canvas: old 4:3 grid",
            _chosen.Canvas is null
                    ? "No grid is set for air unit and goggles; all of them draw the old grid. It sits in the middle of wide video."
                : wide ? "Air unit, goggles and board all support it."
                : "It sits in the middle of wide video.",
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
                "This firmware generation needs it as well as the port function.",
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
            "The chosen connection needs it."
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
            yield return Radio(
                $"bay.{i + 1}",
                "",
                WorkWords.Of(work, wired.Build),
                "The module bay cannot run any faster."
            );
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
                $"On the radio: {channels} channels",
                channels > 8 ? "8 channels have lower latency." : "Few channels keep latency low."
            );
        }
        if (TelemetryReader.WayOf(wired) is not null)
        {
            yield return Radio(
                "telemetry",
                "on",
                "On the radio: telemetry on",
                "If off, nothing is shown, whatever the aircraft sends."
            );
            yield return Radio(
                "sensors",
                "found-anew",
                "On the radio: delete old sensors, then rediscover them with the aircraft powered",
                "A blinking marker means live data; a steady marker is only the last value."
            );
        }
        yield return Radio(
            "region",
            "as-licensed",
            "Radio and receiver: same region mode",
            $"Region mode and power as local law and your licence allow. Both ends of {control.Settings.Protocol} must be in the same region mode, or they do not bind."
        );
    }
}
