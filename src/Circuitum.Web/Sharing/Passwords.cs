using System.Globalization;
using Microsoft.AspNetCore.Identity;

namespace Circuitum.Web.Sharing;

/// <summary>What a password must be: long, and not one that is guessed first. NIST SP 800-63B-4, 3.1.1.2: at least 15 characters where it
/// is all that is asked, no rules of composition, compared with what is expected of people.</summary>
public static class Passwords
{
    /// <summary>Least characters.</summary>
    public const int Shortest = 15;

    /// <summary>Most characters.</summary>
    public const int Longest = 128;

    // Fewer different ones is a pattern on the keyboard.
    private const int FewestDifferent = 6;

    // What people make long ones of when they are told to.
    private static readonly string[] Expected = ["password", "passphrase", "letmein", "welcome", "qwerty", "asdf", "zxcv", "abc", "123",
        "iloveyou", "admin", "secret", "circuitum", "electric", "breaker", "panel", "wire", "correct", "horse", "battery", "staple", "2024",
        "2025", "2026", "2027", "login", "changeme"];

    /// <summary>Why it cannot be one; null where it can.</summary>
    /// <param name="name">Whose.</param>
    /// <param name="password">As it was typed.</param>
    public static string? Problem(string name, string password)
    {
        if (password.EnumerateRunes().Count() is var length && length < Shortest)
        {
            return string.Create(CultureInfo.InvariantCulture,
                $"A password has at least {Shortest} characters; this has {length}. Four words that have nothing to do with each other are "
                + $"long enough, and easier to type on a phone than signs.");
        }

        if (password.Length > Longest)
        {
            return $"A password has at most {Longest} characters.";
        }

        var rest = password.ToUpperInvariant();
        foreach (var word in Expected.Append(name).Where(w => w.Length > 0).OrderByDescending(w => w.Length))
        {
            rest = rest.Replace(word.ToUpperInvariant(), "", StringComparison.Ordinal);
        }

        var own = new string([.. rest.Where(char.IsLetterOrDigit)]);
        return own.Distinct().Count() < FewestDifferent || IsRow(own)
            ? "This password is one of those that are tried first: a name, a row of keys, or one thing again and again. Take words that "
                + "have nothing to do with each other." : null;
    }

    /// <summary>Sets Identity to the same.</summary>
    public static void Configure(IdentityOptions options)
    {
        options.Password = new()
        {
            RequiredLength = Shortest,
            RequireDigit = false,
            RequireLowercase = false,
            RequireNonAlphanumeric = false,
            RequireUppercase = false,
            RequiredUniqueChars = 1,
        };
        // What a name may be is said by Crew: every language has its own letters.
        options.User.AllowedUserNameCharacters = "";
        options.Lockout.AllowedForNewUsers = true;
        options.Lockout.MaxFailedAccessAttempts = 8;
        options.Lockout.DefaultLockoutTimeSpan = TimeSpan.FromMinutes(5);
    }

    // Each character the next or the one before: 12345, or a part of the alphabet.
    private static bool IsRow(string text) =>
        text.Zip(text.Skip(1)).Count(p => Math.Abs(p.First - p.Second) <= 1) >= (text.Length * 3 / 4);
}
