using Circuitum.Core.Jobs;
using Circuitum.Core.Rules;

namespace Circuitum.Core.Tests.Support;

/// <summary>Books for tests of figures that do not hang on the edition.</summary>
internal static class Books
{
    public static CodeBook Us2020 { get; } = CodeBook.For(Edition.Y2020);
}
