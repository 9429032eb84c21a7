namespace Gorvix.Core.Hardware.Parts;

/// <summary>
/// What a member has where nothing is said of it, and so what is left out of a file: the value itself at a member, at a type the name of the static
/// member that holds it.
/// </summary>
/// <param name="value">The value, or the name of the member that holds it.</param>
[AttributeUsage(AttributeTargets.Property | AttributeTargets.Class)]
public sealed class UsualAttribute(object value) : Attribute
{
    /// <summary>The value, or the name of the member that holds it.</summary>
    public object Value { get; } = value;
}
