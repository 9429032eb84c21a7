using Gorvix.Core.Hardware.Parts;
using Mono.Cecil;
using Mono.Cecil.Cil;

namespace Gorvix.Core.Tests;

/// <summary>
/// What lies between a pad and its net, and what sits in a plug, is read by the floor Circuits alone (and by the checks and files
/// of parts: the leaflet text and the lists are two). Everything else asks it. Read off the compiled code, so that no detour hides.
/// </summary>
public class OneCircuitTests
{
    private static readonly string[] MayRead =
    [
        "Gorvix.Core.Hardware.Parts",
        "Gorvix.Core.Hardware.Circuits",
        "Gorvix.Core.Files.Formats",
        "Gorvix.Core.Files.Describing",
        "Gorvix.Core.Work.Tables",
    ];

    private static readonly HashSet<string> Elements =
    [
        .. typeof(PathElement)
            .Assembly.GetTypes()
            .Where(t => t.IsAssignableTo(typeof(PathElement)))
            .Select(t => t.FullName!),
        typeof(PadPath).FullName!,
        typeof(BoardPin).FullName!,
        typeof(DevicePin).FullName!,
    ];

    private static readonly HashSet<(string, string)> Doors =
    [
        (typeof(Pad).FullName!, "get_Paths"),
        (typeof(BoardPlug).FullName!, "get_Pins"),
        (typeof(DevicePlug).FullName!, "get_Pins"),
    ];

    [Fact]
    public void Only_the_circuit_reads_what_lies_behind_a_pad_and_in_a_plug()
    {
        var readers = Storeys.All.SelectMany(s => Readers(ModuleDefinition.ReadModule(s.Storey.Location))).ToList();
        Assert.Empty(readers.Where(r => !MayRead.Contains(r.Namespace)).Select(r => r.Words));

        // The look does see something: the circuit and the part checks.
        Assert.Equal(
            [
                "Gorvix.Core.Files.Describing",
                "Gorvix.Core.Hardware.Circuits",
                "Gorvix.Core.Hardware.Parts",
                "Gorvix.Core.Work.Tables",
            ],
            readers.Select(r => r.Namespace).Distinct().Order(StringComparer.Ordinal)
        );
    }

    private static IEnumerable<(string Namespace, string Words)> Readers(ModuleDefinition module) =>
        from type in module.GetTypes()
        where !Elements.Contains(type.FullName)
        let outer = Outer(type)
        from method in type.Methods
        where method.HasBody
        from instruction in method.Body.Instructions
        where Reads(instruction)
        select (outer.Namespace, $"{type.FullName}.{method.Name}: {instruction.Operand}");

    private static bool Reads(Instruction instruction) =>
        instruction.Operand switch
        {
            MethodReference m => Doors.Contains((m.DeclaringType.FullName, m.Name))
                || (Elements.Contains(m.DeclaringType.FullName) && m.Name.StartsWith("get_", StringComparison.Ordinal)),
            TypeReference t => instruction.OpCode.Code is Code.Isinst or Code.Castclass
                && Elements.Contains(t.FullName),
            _ => false,
        };

    private static TypeDefinition Outer(TypeDefinition type)
    {
        while (type.DeclaringType is { } outer)
        {
            type = outer;
        }
        return type;
    }
}
