namespace Circuitum.Web.Files;

/// <summary>Files that are written whole before the first byte of them is sent.</summary>
internal static class Passing
{
    /// <summary>A file that goes when it is closed.</summary>
    public static FileStream File() => new(Path.Combine(Path.GetTempPath(), $"circuitum-{Guid.NewGuid():N}.zip"), FileMode.CreateNew,
        FileAccess.ReadWrite, FileShare.None, 64 * 1024, FileOptions.DeleteOnClose | FileOptions.Asynchronous);
}
