using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Files.Describing;

/// <summary>
/// Puts a part that is being described in order after a change: what pointed at something that was taken away goes with it, and what is not made by
/// a regulator says nothing of one. What was read from a file is never touched: there a wrong reference is told.
/// </summary>
public static class DraftTidy
{
    /// <summary>A board in order. A pad that loses a way because its rail is gone is to be measured.</summary>
    public static Board Of(Board board)
    {
        var rails = board.Rails.Select(r => r.Id).ToHashSet();
        var pads = board.Pads.Select(p => p.Id).ToHashSet();
        bool IsGone(PadPath path) => path.Rail is { } rail && !rails.Contains(rail);
        return board with
        {
            Rails =
            [
                .. board.Rails.Select(r =>
                    Of(r.From is { } from && !rails.Contains(from) ? r with { From = null } : r)
                ),
            ],
            Pads =
            [
                .. board.Pads.Select(p =>
                    p.Paths.Any(IsGone)
                        ? p with
                        {
                            Paths = [.. p.Paths.Where(w => !IsGone(w))],
                            Meaning = PadMeaning.Uncertain,
                        }
                        : p
                ),
            ],
            Plugs =
            [
                .. board.Plugs.Select(plug =>
                    plug with
                    {
                        Pins = [.. plug.Pins.Select(p => p.Pad is { } pad && !pads.Contains(pad) ? new BoardPin() : p)],
                    }
                ),
            ],
        };
    }

    private static Rail Of(Rail rail) =>
        rail.Feed is RailFeed.Ground or RailFeed.Battery
            ? rail with
            {
                Volts = rail.Feed == RailFeed.Ground ? 0 : null,
                Dropout = null,
                Kind = null,
                Efficiency = null,
                Quiescent = null,
                Own = null,
            }
            : rail;

    /// <summary>A device in order. A lead that no longer takes power has no window, one that no longer offers it offers none.</summary>
    public static Device Of(Device device)
    {
        var leads = device.Leads.Select(l => l.Id).ToHashSet();
        var functions = device.Functions.Select(f => f.Id).ToHashSet();
        bool Is(string lead, LeadRole role) => device.Leads.Any(l => l.Id == lead && l.Role == role);
        DevicePlug? Plug(DevicePlug? plug, IReadOnlyCollection<string> own) =>
            plug is null
                ? null
                : plug with
                {
                    Pins = [.. plug.Pins.Select(p => p.Lead is { } lead && !own.Contains(lead) ? new DevicePin() : p)],
                };
        return device with
        {
            Supplies = [.. device.Supplies.Where(s => Is(s.Lead, LeadRole.Supply))],
            Outputs = [.. device.Outputs.Where(o => Is(o.Lead, LeadRole.Output))],
            Plug = Plug(device.Plug, leads),
            Harnesses =
            [
                .. device.Harnesses.Select(h =>
                {
                    List<string> own = [.. device.Leads.Select(l => l.Id).Where(h.Leads.Contains)];
                    return h with { Leads = own, Plug = Plug(h.Plug, own) };
                }),
            ],
            Functions =
            [
                .. device.Functions.Select(f =>
                    f with
                    {
                        Modes =
                        [
                            .. f.Modes.Select(m =>
                                m with
                                {
                                    Lines = [.. m.Lines.Where(l => leads.Contains(l.Lead))],
                                    Carries = [.. m.Carries.Where(c => functions.Contains(c.Function))],
                                }
                            ),
                        ],
                    }
                ),
            ],
        };
    }
}
