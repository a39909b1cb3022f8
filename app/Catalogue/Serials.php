<?php

declare(strict_types=1);

namespace Elmstone\Catalogue;

use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Illuminate\Support\Facades\DB;

/** Single pieces by their serial numbers: none is out twice, and none is set aside for two people. */
final class Serials
{
    public const MOST = 200;

    /** @return list<int> ids of the documents that pieces of this number left by, the newest first */
    public static function leftBy(string $serial, int $most): array
    {
        return array_values(array_map(
            static fn (mixed $id): int => is_numeric($id) ? (int) $id : 0,
            DB::table('item_serials')
                ->where('serial', mb_strtoupper($serial))
                ->whereNotNull('document_id')
                ->orderByDesc('document_id')
                ->limit($most)
                ->pluck('document_id')
                ->all(),
        ));
    }

    /**
     * A text of serial numbers as a clerk types them: one after the other, parted by commas, semicolons or line ends.
     * Capitals and small letters are the same: one piece has one number.
     *
     * @return list<string>
     *
     * @throws Refused bad_serial, serial_twice
     */
    public static function read(string $typed): array
    {
        $serials = array_values(
            array_filter(
                array_map(
                    static fn (string $one): string => mb_strtoupper(trim($one)),
                    preg_split('/[,;\s]+/u', $typed) ?: [],
                ),
                static fn (string $one): bool => $one !== '',
            ),
        );

        foreach ($serials as $serial) {
            if (mb_strlen($serial) > 40) {
                throw Refused::because(
                    'bad_serial',
                    "“{$serial}” is too long for a serial number; 40 characters at most.",
                );
            }
        }

        if (count($serials) > self::MOST) {
            throw Refused::because('bad_serial', 'That is more than '.self::MOST.' serial numbers for one line.');
        }

        $twice = array_keys(array_filter(array_count_values($serials), static fn (int $times): bool => $times > 1));

        return $twice === [] ? $serials : throw Refused::because('serial_twice', "{$twice[0]} stands here twice.");
    }

    /**
     * A single piece of one of some items, as it stands.
     *
     * @param  array<int|null>  $items ids
     * @return object{item_id: int, state: string, agreement_id: int|null}|null null: no such piece is known
     */
    public static function of(array $items, string $serial): ?object
    {
        $row = $serial === '' ? null : DB::table('item_serials')
            ->whereIn('item_id', array_filter($items, is_int(...)))
            ->where('serial', $serial)
            ->first();

        return $row === null ? null : (object) [
            'item_id' => (int) $row->item_id,
            'state' => (string) $row->state,
            'agreement_id' => $row->agreement_id === null ? null : (int) $row->agreement_id,
        ];
    }

    /**
     * Whether a line says which pieces they are.
     *
     * @param  list<string>  $serials
     *
     * @throws Refused serial_missing, serial_count
     */
    public static function assertComplete(
        string $description,
        Quantity $quantity,
        array $serials,
        bool $mayMiss = false,
    ): void {
        $wanted = $quantity->toString();

        if ($mayMiss && $serials === []) {
            return;
        }

        match (true) {
            $serials === [] => throw Refused::because(
                'serial_missing',
                "“{$description}” has serial numbers. Type or scan which piece it is.",
            ),
            (string) count($serials) !== $wanted => throw Refused::because(
                'serial_count',
                "“{$description}”: {$wanted} of them, but "
                    .count($serials)
                    .' serial '
                    .(count($serials) === 1 ? 'number.' : 'numbers.'),
            ),
            default => null,
        };
    }

    /**
     * Locks pieces in the order of item and number. Those that leave and were never seen before are made known first,
     * so that two tills never wait in a gap.
     */
    public function lock(GoodsMoving $goods): void
    {
        $items = array_unique([...array_keys($goods->leaving), ...array_keys($goods->returning)]);
        sort($items);

        foreach ($items as $item) {
            $this->know($item, $goods->leaving[$item] ?? []);
            DB::table('item_serials')
                ->where('item_id', $item)
                ->whereIn('serial', [...$goods->leaving[$item] ?? [], ...$goods->returning[$item] ?? []])
                ->orderBy('serial')
                ->lockForUpdate()
                ->get(['serial']);
        }
    }

    /** @param  list<string>  $serials */
    private function know(int $item, array $serials): void
    {
        sort($serials);
        $serials === []
            || DB::table('item_serials')->insertOrIgnore(
                array_map(static fn (string $serial): array => ['item_id' => $item, 'serial' => $serial], $serials),
            );
    }

    /**
     * Sets pieces aside for a layaway; those it had before are free again.
     *
     * @param  array<int, list<string>>  $serials by item
     *
     * @throws Refused serial_out, serial_set_aside
     */
    public function setAside(int $layaway, array $serials): void
    {
        DB::table('item_serials')
            ->where('agreement_id', $layaway)
            ->where('state', 'aside')
            ->update(['state' => 'in', 'agreement_id' => null]);
        $this->move($serials, ['state' => 'aside', 'agreement_id' => $layaway], null);
    }

    /**
     * Pieces leave the house with a document.
     *
     * @param  array<int, list<string>>  $serials by item
     * @param  int|null  $layaway the one they may be set aside for
     *
     * @throws Refused serial_out, serial_set_aside
     */
    public function sell(int $document, array $serials, ?int $layaway = null): void
    {
        $this->move($serials, ['state' => 'out', 'document_id' => $document, 'agreement_id' => $layaway], $layaway);
    }

    /**
     * Pieces come back, locked already. To stock: they can be sold again; elsewhere they stay out.
     *
     * @param  list<string>  $serials
     *
     * @throws Refused serial_here
     */
    public function comeBack(int $item, string $description, array $serials, bool $toStock): void
    {
        sort($serials);

        foreach ($serials as $serial) {
            $state = DB::table('item_serials')->where('item_id', $item)->where('serial', $serial)->value('state');

            // Whether it is one that left was decided, or allowed, before; what stands here did not leave.
            if ($state === 'aside' || $state === 'in') {
                throw Refused::because(
                    'serial_here',
                    "“{$description}”: serial number {$serial} stands here "
                        .($state === 'aside' ? 'set aside for a customer' : 'in the house')
                        .', so it cannot come back. Look at the plate again.',
                );
            }

            if ($toStock) {
                DB::table('item_serials')->updateOrInsert(
                    ['item_id' => $item, 'serial' => $serial],
                    ['state' => 'in', 'document_id' => null, 'agreement_id' => null],
                );
            }
        }
    }

    /**
     * Which of the pieces did not leave the house; or not with a certain document.
     *
     * @param  array<string>  $serials
     * @return list<string>
     */
    public static function notOut(int $item, array $serials, ?int $soldOn): array
    {
        $out = DB::table('item_serials')
            ->where('item_id', $item)
            ->where('state', 'out')
            ->when($soldOn !== null, static fn ($query) => $query->where('document_id', $soldOn))
            ->whereIn('serial', $serials)
            ->pluck('serial')
            ->all();

        return array_values(array_diff($serials, $out));
    }

    /**
     * A row is made first and changed then only where it may be: so two tills never wait in a gap, and one of them is
     * told.
     *
     * @param  array<int, list<string>>  $serials
     * @param  array<string, int|string|null>  $to
     */
    private function move(array $serials, array $to, ?int $layaway): void
    {
        ksort($serials);

        foreach ($serials as $item => $ones) {
            sort($ones);
            $this->know($item, $ones);

            foreach ($ones as $serial) {
                $free = DB::table('item_serials')
                    ->where('item_id', $item)
                    ->where('serial', $serial)
                    ->where(
                        static fn ($query) => $query
                            ->where('state', 'in')
                            ->when(
                                $layaway !== null,
                                static fn ($own) => $own->orWhere(
                                    static fn ($mine) => $mine
                                        ->where('state', 'aside')
                                        ->where('agreement_id', $layaway),
                                ),
                            ),
                    );

                if ($free->update($to) === 0) {
                    throw $this->taken($item, $serial);
                }
            }
        }
    }

    private function taken(int $item, string $serial): Refused
    {
        $row = DB::table('item_serials as s')
            ->leftJoin('documents as d', 'd.id', '=', 's.document_id')
            ->leftJoin('agreements as l', 'l.id', '=', 's.agreement_id')
            ->where('s.item_id', $item)
            ->where('s.serial', $serial)
            ->first(['s.state', 'd.label as document', 'l.label as layaway']);

        return $row?->state === 'aside'
            ? Refused::because(
                'serial_set_aside',
                "Serial number {$serial} is set aside on {$row->layaway}. Take another piece.",
            )
            : Refused::because(
                'serial_out',
                "Serial number {$serial} left the house with {$row?->document}. Look at the plate again.",
            );
    }
}
