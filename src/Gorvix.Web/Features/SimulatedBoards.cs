using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Wired.Settings;

namespace Gorvix.Web.Features;

/// <summary>The simulated boards, one for each build, in memory: after a restart of the program each is as it left the factory.</summary>
internal sealed class SimulatedBoards
{
    private const int MostBoards = 100;

    private readonly Lock _lock = new();
    private readonly Dictionary<string, (Board Board, FirmwareProfile? Firmware, SimulatedBoard Simulated)> _boards =
    [];
    private readonly Queue<string> _order = new();

    /// <summary>Does something with the board of a build; another board or generation is a new one.</summary>
    public T With<T>(string build, Board board, FirmwareProfile? firmware, Func<SimulatedBoard, T> act)
    {
        lock (_lock)
        {
            if (
                !_boards.TryGetValue(build, out var there)
                || there.Board.Id != board.Id
                || there.Firmware?.Id != firmware?.Id
            )
            {
                if (!_boards.ContainsKey(build))
                {
                    _order.Enqueue(build);
                }
                there = (board, firmware, new SimulatedBoard(board, firmware));
                _boards[build] = there;
                if (_order.Count > MostBoards)
                {
                    _boards.Remove(_order.Dequeue());
                }
            }
            return act(there.Simulated);
        }
    }
}
