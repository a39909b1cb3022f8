<?php

declare(strict_types=1);

namespace Elmstone\Shares;

use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Shares\Part;
use Elmstone\Core\Shares\Sharing;
use Elmstone\Staff\Staff;
use Elmstone\Support\Show;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use LogicException;

/**
 * Who sells together and by which parts. The same people with the same parts are kept once and never changed, so that a
 * slip, a line or an agreement names them by one number, and what was agreed stays.
 */
final class Sharings
{
    /** @var array<int, Sharing> by id */
    private array $read = [];

    /** @var array<int, string> names by id of the person */
    private array $names = [];

    /** The people are named by their ids. */
    public function find(int $id): Sharing
    {
        return $this->read[$id] ??= $this->readOne($id);
    }

    private function readOne(int $id): Sharing
    {
        $rows = DB::table('sharing_people')->where('sharing_id', $id)->orderBy('place')->get();

        return $rows->isEmpty()
            ? throw new LogicException("There is no sharing {$id}.")
            : Sharing::of(array_values($rows->map(static fn (object $row): Part => Part::of(
                (string) $row->staff_id,
                Percentage::of((string) $row->percent),
            ))->all()));
    }

    /** @return int its id, whether it is kept now or was before. Inside a transaction. */
    public function keep(Sharing $sharing): int
    {
        $digest = hash('sha256', implode(' ', array_map(
            static fn (Part $part): string => "{$part->person}:{$part->percent->toString()}",
            $sharing->parts,
        )));
        $isNew = DB::table('sharings')->insertOrIgnore(['digest' => $digest]) === 1;
        // Read with a lock: another till may have kept it since this transaction first read anything.
        $id = (int) DB::table('sharings')->where('digest', $digest)->sharedLock()->value('id');
        $isNew && DB::table('sharing_people')->insert(array_map(
            static fn (Part $part, int $place): array => [
                'sharing_id' => $id,
                'place' => $place + 1,
                'staff_id' => (int) $part->person,
                'percent' => $part->percent->toString(),
            ],
            $sharing->parts,
            array_keys($sharing->parts),
        ));
        $this->read[$id] = $sharing;

        return $id;
    }

    /** Whose sale it mostly is: who has the largest part, of equals the first. */
    public function lead(int $id): int
    {
        $lead = null;

        foreach ($this->find($id)->parts as $part) {
            $lead = $lead !== null && ! $part->percent->value->isGreaterThan($lead->percent->value) ? $lead : $part;
        }

        return (int) $lead?->person;
    }

    /**
     * As it was typed: staff numbers with or without percentages ("201 60%, 301 40%", "201 301"), a plus first for
     * "together with whoever serves" ("+301", "+301 30%"). Where one has no percentage, they have the rest.
     *
     * @return Sharing|null null: nothing was typed
     *
     * @throws Refused shares_not_whole, shared_twice, bad_sharing, no_such_person
     */
    public function typed(string $typed, Staff $serves): ?Sharing
    {
        $typed = trim($typed);

        if ($typed === '') {
            return null;
        }

        $entries = SharingText::read($typed, $serves->number);
        $ids = $this->ids(array_column($entries, 0));

        return Sharing::of(array_map(
            static fn (string $percent, int $place): Part => Part::of(
                (string) $ids[$entries[$place][0]],
                Percentage::of($percent),
            ),
            $percents = SharingText::percents($entries),
            array_keys($percents),
        ));
    }

    /**
     * The same, kept. Inside a transaction.
     *
     * @throws Refused shares_not_whole, shared_twice, bad_sharing, no_such_person
     */
    public function typedId(string $typed, Staff $serves): ?int
    {
        $sharing = $this->typed($typed, $serves);

        return $sharing === null ? null : $this->keep($sharing);
    }

    /**
     * @param  list<string>  $numbers
     * @return array<string, int> by number
     *
     * @throws Refused no_such_person
     */
    private function ids(array $numbers): array
    {
        $ids = [];

        foreach (Staff::query()->whereIn('number', $numbers)->where('active', true)->get() as $person) {
            $ids[$person->number] = $person->id;
        }

        foreach ($numbers as $number) {
            isset($ids[$number])
                || throw Refused::because('no_such_person', "Nobody here has the number {$number}.");
        }

        return $ids;
    }

    /** As it would be typed: "201 60%, 301 40%". */
    public function text(int $id): string
    {
        $parts = $this->find($id)->parts;
        $numbers = Staff::query()->whereIn('id', array_column($parts, 'person'))->pluck('number', 'id');

        return implode(', ', array_map(
            static fn (Part $part): string => $numbers[(int) $part->person]
                .(count($parts) === 1 ? '' : ' '.Show::decimal($part->percent).'%'),
            $parts,
        ));
    }

    /** In words: "Carla Crew 60 %, Super Slate 40 %", or a name alone. */
    public function words(int $id): string
    {
        $parts = $this->find($id)->parts;
        $this->readNames(array_map(static fn (Part $part): int => (int) $part->person, $parts));

        return implode(', ', array_map(
            fn (Part $part): string => $this->names[(int) $part->person]
                .(count($parts) === 1 ? '' : ' '.Show::decimal($part->percent).' %'),
            $parts,
        ));
    }

    /** @param  list<int>  $people */
    private function readNames(array $people): void
    {
        $missing = array_diff($people, array_keys($this->names));
        /** @var Collection<int, string> $names */
        $names = $missing === [] ? new Collection : Staff::query()->whereIn('id', $missing)->pluck('name', 'id');
        $this->names += $names->all();
    }
}
