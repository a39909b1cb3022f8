<?php

declare(strict_types=1);

namespace Elmstone\Books\Chain;

use Carbon\CarbonImmutable;
use Elmstone\Core\Proof\CanonicalJson;
use Elmstone\Core\Proof\SigningKey;
use Illuminate\Support\Facades\DB;

/** Signs the ends of all series as a day is closed: from then on what stands before them cannot be written anew. */
final class SignHeads
{
    /** In the transaction that closes the day. */
    public static function on(CarbonImmutable $through, int $locationId, string $location): void
    {
        $heads = [];

        foreach (DB::table('series_heads')->orderBy('kind')->get() as $head) {
            $heads[(string) $head->kind] = ['digest' => (string) $head->digest, 'number' => (int) $head->number];
        }

        $says = CanonicalJson::of([
            'closed_at' => CarbonImmutable::now()->utc()->format('Y-m-d H:i:s.v'),
            'heads' => $heads,
            'location' => $location,
            'through' => $through->format('Y-m-d'),
        ]);
        $key = ShopKey::find();
        DB::table('signed_heads')->insert([
            'location_id' => $locationId,
            'through' => $through->format('Y-m-d'),
            'says' => $says,
            'signature' => base64_encode($key->sign($says)),
            'key' => base64_encode($key->public),
        ]);
    }

    /**
     * The last signature of a day, as it is printed.
     *
     * @return array{signature: string, key: string}|null short forms; null: the day is not closed
     */
    public static function shortForm(CarbonImmutable $day, int $location): ?array
    {
        $row = DB::table('signed_heads')
            ->where('location_id', $location)
            ->where('through', '>=', $day->format('Y-m-d'))
            ->orderBy('through')
            ->orderByDesc('id')
            ->first();

        return $row === null ? null : [
            'signature' => SigningKey::shortForm((string) base64_decode((string) $row->signature, true)),
            'key' => SigningKey::fingerprintOf((string) base64_decode((string) $row->key, true)),
        ];
    }
}
