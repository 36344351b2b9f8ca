namespace Circuitum.Web.Sharing;

/// <summary>Files that nobody but the program's own user may read.</summary>
internal static class Private
{
    private const UnixFileMode OwnFile = UnixFileMode.UserRead | UnixFileMode.UserWrite;
    private const UnixFileMode OwnFolder = OwnFile | UnixFileMode.UserExecute;

    /// <summary>Makes the folder where it is not there.</summary>
    public static void Folder(string folder)
    {
        if (OperatingSystem.IsWindows())
        {
            Directory.CreateDirectory(folder);
        }
        else
        {
            Directory.CreateDirectory(folder, OwnFolder);
        }
    }

    /// <summary>Writes a file beside the one that stands and puts it in its place.</summary>
    public static void Write(string file, string text)
    {
        var options = new FileStreamOptions { Mode = FileMode.Create, Access = FileAccess.Write };
        if (!OperatingSystem.IsWindows())
        {
            options.UnixCreateMode = OwnFile;
        }

        var half = file + ".half";
        File.Delete(half);
        using (var writer = new StreamWriter(half, options))
        {
            writer.Write(text);
        }

        File.Move(half, file, overwrite: true);
    }
}
