<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Logbook\Profile;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Facades\DB;

/** What is known of a board in its machine: its own kind's description first, then the machine's. */
final readonly class Described
{
    /** Whether a board of the machine has a kind of its own, for a question that has the machine's description already. */
    public const WITH_OWN = 'EXISTS (SELECT 1 FROM boards AS own WHERE own.machine_id = machines.id AND own.kind_id <> machines.kind_id) AS with_own';

    /** @param string $json the machine's own where no board has a kind of its own: to the letter */
    private function __construct(public string $json, public Profile $profile)
    {
    }

    /** @param ?string $board the one at hand */
    public static function of(string $machine, ?string $board): self
    {
        $rows = DB::table('machines')->join('kinds', 'kinds.id', '=', 'machines.kind_id')
            ->leftJoin('boards', static fn (JoinClause $on) => $on->on('boards.machine_id', '=', 'machines.id')
                ->on('boards.kind_id', '<>', 'machines.kind_id')->whereNull('boards.merged_into'))
            ->leftJoin('kinds as own', 'own.id', '=', 'boards.kind_id')
            ->where('machines.id', $machine)->orderBy('boards.slot')
            ->get(['kinds.profile', 'boards.id as board', 'boards.slot', 'own.profile as own']);
        $json = (new Row($rows->first() ?? abort(404)))->string('profile');
        $fitted = [];
        $atHand = null;
        foreach ($rows as $row) {
            $r = new Row($row);
            if ($r->text('own') !== null) {
                $fitted[$r->string('slot')] = Node::parse($r->string('own'))->object();
                $board !== null && strcasecmp($r->string('board'), $board) === 0 && $atHand = $r->string('slot');
            }
        }

        return self::composed($json, $fitted, $atHand);
    }

    /** @param Row $row with "profile" and WITH_OWN */
    public static function joined(Row $row, string $machine, string $board): Profile
    {
        return $row->int('with_own') === 1 ? self::of($machine, $board)->profile : House::here()->hall->profile(Node::parse($row->string('profile')));
    }

    /** @param array<array-key, \stdClass> $fitted */
    private static function composed(string $json, array $fitted, ?string $atHand): self
    {
        $hall = House::here()->hall;
        $machine = Node::parse($json);
        if ($fitted === []) {
            return new self($json, $hall->profile($machine));
        }
        try {
            $whole = SaveProfile::text($hall->sections->boardKinds()->composed($machine->object(), $fitted, $atHand));

            return new self($whole, $hall->profile(Node::parse($whole)));
        } catch (InvalidDocument $fault) {
            // Each of them was accepted by itself; together they may be too much. The machine's own word is better than none.
            report($fault);

            return new self($json, $hall->profile($machine));
        }
    }
}
