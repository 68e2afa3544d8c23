<?php

declare(strict_types=1);

namespace App\People;

use Ash\Document\Field\Letters;
use Ash\Document\Node;
use Ash\Document\Plain;

/**
 * A password that is chosen: 12 to 72 characters (bcrypt reads no further than 72 bytes), and none of those that are tried first: a common
 * word, a run of a keyboard or the alphabet, or one short piece again and again, with whatever digits and signs before and behind.
 * The words are common practice, no source; from memory.
 */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class NewPassword extends Plain
{
    private const WORDS = [
        'password', 'passwort', 'motdepasse', 'contrasena', 'letmein', 'welcome', 'admin', 'administrator', 'root', 'login', 'signin', 'master', 'secret',
        'changeme', 'default', 'guest', 'test', 'testing', 'tester', 'iloveyou', 'sunshine', 'princess', 'football', 'baseball', 'basketball', 'superman',
        'batman', 'dragon', 'monkey', 'shadow', 'michael', 'jennifer', 'trustno', 'whatever', 'freedom', 'starwars', 'computer', 'internet', 'workshop',
        'workbench', 'bench', 'ashbench', 'ash', 'repair', 'technician', 'viewer', 'lead', 'summer', 'winter', 'spring', 'autumn', 'january', 'february',
        'march', 'april', 'june', 'july', 'august', 'september', 'october', 'november', 'december', 'monday', 'tuesday', 'wednesday', 'thursday', 'friday',
        'saturday', 'sunday', 'hello', 'hallo', 'bonjour', 'please', 'open', 'sesame', 'mypassword', 'thisismy', 'my', 'the', 'your', 'our', 'new', 'old',
    ];
    private const RUNS = [
        'abcdefghijklmnopqrstuvwxyz', 'qwertyuiopasdfghjklzxcvbnm', 'qwertzuiopasdfghjklyxcvbnm', 'azertyuiopqsdfghjklmwxcvbn', '01234567890123456789',
    ];

    public function read(Node $node): string
    {
        $given = (new Letters(12, 72))->read($node);

        return self::common($given) ? $node->refuse('is one of the passwords that are tried first: take several words that do not belong together') : $given;
    }

    public static function common(string $given): bool
    {
        $bare = (string) preg_replace('/^[^\p{L}]+|[^\p{L}]+$/u', '', mb_strtolower($given));
        $plain = strtr($bare, ['0' => 'o', '1' => 'l', '3' => 'e', '4' => 'a', '5' => 's', '7' => 't', '@' => 'a', '$' => 's', '!' => 'i']);
        foreach ([mb_strtolower($given), $bare, $plain] as $text) {
            $letters = (string) preg_replace('/[^\p{L}]+/u', '', $text);
            $again = strlen($text) >= 6 && preg_match('/^(.{1,6})\1+.{0,5}$/su', $text) === 1;
            if ($again || self::onlyWords($letters) || self::run($letters) || self::run($text)) {
                return true;
            }
        }

        return false;
    }

    /** Nothing but words of the list, one after the other; nothing at all counts too. */
    private static function onlyWords(string $letters): bool
    {
        $reached = [0 => true];
        for ($at = 0; $at < strlen($letters); ++$at) {
            foreach (isset($reached[$at]) ? self::WORDS : [] as $word) {
                if (substr_compare($letters, $word, $at, strlen($word)) === 0) {
                    $reached[$at + strlen($word)] = true;
                }
            }
        }

        return isset($reached[strlen($letters)]);
    }

    /** At least two thirds of it are one run, forwards or backwards. */
    private static function run(string $text): bool
    {
        $least = max(6, (int) ceil(strlen($text) * 2 / 3));
        foreach ([...self::RUNS, ...array_map(strrev(...), self::RUNS)] as $run) {
            for ($from = 0; $from + $least <= strlen($run) && $least <= strlen($text); ++$from) {
                if (str_contains($text, substr($run, $from, $least))) {
                    return true;
                }
            }
        }

        return false;
    }

    public function schema(): array
    {
        return (new Letters(12, 72))->schema();
    }
}
