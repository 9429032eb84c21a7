using System.Text.Json.Nodes;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Files.Formats;

/// <summary>What a document is.</summary>
public enum DocumentKind
{
    /// <summary>A build.</summary>
    Build,

    /// <summary>A board.</summary>
    Board,

    /// <summary>A device.</summary>
    Device,

    /// <summary>A firmware profile.</summary>
    Profile,
}

/// <summary>
/// Brings documents of older format versions up, one version a step. A document says nothing of its version itself: the file or
/// the row that holds it does.
/// </summary>
public static class FormatMigrations
{
    /// <summary>The newest version, which is the one that is written.</summary>
    public const int Newest = 4;

    // What each end of a board was called before version 4.
    private static readonly Dictionary<string, string> Ends = new(StringComparer.OrdinalIgnoreCase)
    {
        ["front"] = "rear",
        ["rear"] = "front",
    };

    private static readonly Action<DocumentKind, JsonObject>[] Steps = [From1, From2, From3];

    /// <summary>Brings a document to the newest version, in place.</summary>
    /// <param name="kind">What it is.</param>
    /// <param name="document">The document. What does not look as its version says is left as it is; reading it will tell.</param>
    /// <param name="version">Its version, 1 to <see cref="Newest"/>.</param>
    /// <exception cref="ArgumentOutOfRangeException">There is no such version.</exception>
    public static void Bring(DocumentKind kind, JsonObject document, int version)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(version, 1);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(version, Newest);
        foreach (var step in Steps.Skip(version - 1))
        {
            step(kind, document);
        }
    }

    /// <summary>Brings every document of a file to the newest version, in place.</summary>
    /// <param name="file">The file.</param>
    /// <param name="version">Its version.</param>
    public static void BringFile(JsonObject file, int version)
    {
        foreach (
            var (list, kind) in new[]
            {
                ("builds", DocumentKind.Build),
                ("boards", DocumentKind.Board),
                ("devices", DocumentKind.Device),
                ("profiles", DocumentKind.Profile),
            }
        )
        {
            foreach (var document in Objects(file, list))
            {
                Bring(kind, document, version);
            }
        }
        file["version"] = Newest;
    }

    // Version 2: pins and bans say what they are about (there were routes only), and the two one-wire video controls are
    // called by what they are instead of by their trade names.
    private static void From1(DocumentKind kind, JsonObject document)
    {
        if (kind == DocumentKind.Build)
        {
            foreach (var match in Objects(document, "pins").Concat(Objects(document, "bans")))
            {
                match.TryAdd("kind", "route");
            }
        }
        else if (kind == DocumentKind.Device)
        {
            foreach (var function in Objects(document, "functions").Where(f => Text(f["need"]) == "videoControl"))
            {
                foreach (var mode in Objects(function, "modes"))
                {
                    mode["protocol"] = Text(mode["protocol"]) switch
                    {
                        ['S', 'm', ..] => "VC-4800",
                        ['T', 'r', ..] => "VC-9600",
                        var other => other,
                    };
                }
            }
        }
    }

    // Version 3: plain words for what links do, priorities, house rules, kinds and states, and for a few members.
    private static void From2(DocumentKind kind, JsonObject document)
    {
        switch (kind)
        {
            case DocumentKind.Build:
                BuildFrom2(document);
                break;
            case DocumentKind.Board:
                BoardFrom2(document);
                break;
            case DocumentKind.Device:
                DeviceFrom2(document);
                break;
            case DocumentKind.Profile:
                break;
        }
    }

    // Version 4: the arrow means front. Boards were told from the other end: up on the drawing was the rear, and an arrow that pointed up
    // pointed there. Nothing moves; front and rear change names.
    private static void From3(DocumentKind kind, JsonObject document)
    {
        if (kind != DocumentKind.Board)
        {
            return;
        }
        Now(document, "arrow", Ends);
        Now(document, "usbSide", Ends);
        foreach (var pad in Objects(document, "pads"))
        {
            // A group that is a place, such as "rear left"; any other name is a name.
            if (
                Text(pad["group"])?.Split(' ') is { } group
                && group.All(w => w is "left" or "right" || Ends.ContainsKey(w))
            )
            {
                pad["group"] = string.Join(' ', group.Select(w => Ends.GetValueOrDefault(w, w)));
            }
        }
    }

    private static void BuildFrom2(JsonObject build)
    {
        Rename(build, ("house", "houseRules"), ("wants", "links"), ("bans", "blocks"), ("allowance", "slack"));
        foreach (var link in Objects(build, "links"))
        {
            Now(link, "priority", ("must", "required"), ("want", "wanted"), ("nice", "optional"));
        }
        foreach (var match in Objects(build, "pins").Concat(Objects(build, "blocks")))
        {
            Rename(match, ("bridges", "jumpers"));
            Now(match, "kind", ("seat", "plug"), ("feed", "supply"));
        }
        foreach (var device in Objects(build, "devices"))
        {
            Rename(device, ("piece", "replaced"), ("away", "distance"));
        }
        if (build["houseRules"] is JsonObject rules)
        {
            Rename(
                rules,
                ("software", "softwareSerial"),
                ("receiver", "receiverPower"),
                ("video", "videoPower"),
                ("bootTrap", "bootloaderTrap"),
                ("unused", "unusedLeads"),
                ("hand", "pace")
            );
            Now(rules, "sharing", ("strict", "onePerPort"));
            Now(rules, "receiverPower", ("aliveOnUsb", "liveOnUsb"), ("deadOnUsb", "offOnUsb"));
            Now(rules, "unusedLeads", ("lift", "dePin"));
            Now(rules, "arming", ("required", "fixRequired"), ("optional", "fixOptional"));
            Now(rules, "failsafe", ("returnHome", "returnToHome"));
            Now(rules, "pace", ("usual", "normal"));
        }
        if (build["settings"] is JsonObject settings)
        {
            Rename(settings, ("strengthChannel", "rssiChannel"), ("gnssWay", "gnssSetup"));
            Now(settings, "canvas", ("old", "standard"));
            Now(settings, "compassTurn", ("ahead", "forward"));
        }
        if (build["power"] is JsonObject power)
        {
            Rename(power, ("lampVolts", "bulbVolts"), ("lampWatts", "bulbWatts"));
            Now(power, "usb", ("granted", "usb2"), ("bare", "unconfigured"), ("fast", "usb3"));
        }
        foreach (var fact in Objects(build, "built"))
        {
            Rename(fact, ("cavity", "pin"), ("bridge", "jumper"), ("deed", "task"));
            Now(
                fact,
                "kind",
                ("cavity", "pin"),
                ("bridge", "jumper"),
                ("deed", "task"),
                ("set", "setting"),
                ("seat", "plug")
            );
            Now(fact, "task", ("tail", "pigtail"));
        }
    }

    private static void BoardFrom2(JsonObject board)
    {
        Rename(board, ("bridges", "jumpers"));
        foreach (var inside in Objects(board, "builtIns"))
        {
            Now(inside, "gives", OldWords.Needs);
        }
        foreach (var port in Objects(board, "ports"))
        {
            Now(port, "kind", OldWords.Lines);
            if (port["advisedFor"] is JsonArray needs)
            {
                port["advisedFor"] = new JsonArray([
                    .. needs.Select(n =>
                        Text(n) is { } need ? OldWords.Needs.GetValueOrDefault(need, need) : n?.DeepClone()
                    ),
                ]);
            }
        }
        foreach (var jumper in Objects(board, "jumpers"))
        {
            Now(jumper, "movedBy", ("iron", "solder"));
        }
        foreach (var pad in Objects(board, "pads"))
        {
            Now(pad, "meaning", OldWords.Meanings);
            foreach (var element in Objects(pad, "paths").SelectMany(p => Objects(p, "through")))
            {
                Rename(element, ("bridge", "jumper"));
            }
        }
    }

    private static void DeviceFrom2(JsonObject device)
    {
        Rename(device, ("pieces", "units"));
        Now(device, "kind", OldWords.Kinds);
        Now(device, "memory", ("keeps", "saves"), ("forgets", "loses"));
        foreach (var lead in Objects(device, "leads"))
        {
            Now(lead, "role", OldWords.Lines);
        }
        foreach (var sign in Objects(device, "signs"))
        {
            Now(sign, "state", ("fed", "powered"), ("loader", "bootloader"));
        }
        foreach (var function in Objects(device, "functions"))
        {
            Rename(function, ("need", "gives"));
            Now(function, "gives", OldWords.Needs);
        }
    }

    // Members under their new names, each where it stood. What is there under both names is left: reading it tells.
    private static void Rename(JsonObject owner, params (string Old, string Now)[] names)
    {
        var renamed = names.Where(n => owner.ContainsKey(n.Old) && !owner.ContainsKey(n.Now)).ToDictionary();
        if (renamed.Count == 0)
        {
            return;
        }
        var members = owner.ToList();
        owner.Clear();
        foreach (var (name, value) in members)
        {
            owner[renamed.GetValueOrDefault(name, name)] = value;
        }
    }

    // Words of enumerations were read in any case.
    private static void Now(JsonObject owner, string member, params (string Old, string Now)[] words) =>
        Now(owner, member, words.ToDictionary(w => w.Old, w => w.Now, StringComparer.OrdinalIgnoreCase));

    private static void Now(JsonObject owner, string member, IReadOnlyDictionary<string, string> words)
    {
        if (Text(owner[member]) is { } text && words.TryGetValue(text, out var now))
        {
            owner[member] = now;
        }
    }

    private static IEnumerable<JsonObject> Objects(JsonObject owner, string list) =>
        owner[list] is JsonArray array ? array.OfType<JsonObject>() : [];

    private static string? Text(JsonNode? node) =>
        node is JsonValue value && value.TryGetValue<string>(out var text) ? text : null;
}
