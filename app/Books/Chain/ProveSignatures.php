<?php

declare(strict_types=1);

namespace Elmstone\Books\Chain;

use Elmstone\Books\Proof\Check;
use Elmstone\Books\Proof\Proof;
use Elmstone\Core\Proof\SigningKey;
use Illuminate\Support\Facades\DB;

/** Proves that what was signed as days were closed fits its signature, and that the series still lead through it. */
final class ProveSignatures implements Check
{
    public function prove(Proof $proof): void
    {
        DB::table('signed_heads')->orderBy('id')->chunkById(500, function ($rows) use ($proof): void {
            foreach ($rows as $row) {
                $this->one($proof, (string) $row->through, (string) $row->says, (string) $row->signature,
                    (string) $row->key);
            }

            $proof->checked('signatures of closed days', $rows->count());
        });
    }

    private function one(Proof $proof, string $through, string $says, string $signature, string $key): void
    {
        $fits = SigningKey::verifies(
            $says, (string) base64_decode($signature, true), (string) base64_decode($key, true),
        );
        $fits || $proof->fault("closed day {$through}: its signature does not fit what it says");
        $read = json_decode($says, true);

        foreach ($read['heads'] ?? [] as $kind => $head) {
            DB::table('document_digests')
                ->where('kind', $kind)
                ->where('number', $head['number'])
                ->value('digest') === $head['digest']
                || $proof->fault("closed day {$through}: series {$kind} is not the one that was signed then");
        }
    }
}
