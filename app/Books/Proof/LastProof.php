<?php

declare(strict_types=1);

namespace Elmstone\Books\Proof;

use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** What the books were proved with last. */
final readonly class LastProof
{
    /**
     * @param  int  $lastDocument the last one it saw
     * @param  list<string>  $found the first faults, in words
     * @param  array<string, int>  $topics faults by topic
     */
    private function __construct(
        public CarbonImmutable $ranAt,
        public int $lastDocument,
        public int $faults,
        public array $found,
        public array $topics,
    ) {
    }

    /** Null: they never were. */
    public static function find(): ?self
    {
        $row = DB::table('proof_runs')->orderByDesc('id')->first();

        if ($row === null) {
            return null;
        }

        /** @var list<string> $found */
        $found = json_decode((string) $row->found, true, flags: JSON_THROW_ON_ERROR);
        /** @var array<string, int> $topics */
        $topics = json_decode((string) $row->topics, true, flags: JSON_THROW_ON_ERROR);

        return new self(
            CarbonImmutable::parse((string) $row->ran_at, 'UTC'),
            (int) $row->last_document,
            (int) $row->faults,
            $found,
            $topics,
        );
    }

    /** Whether it saw everything that is dated up to a day. */
    public function saw(CarbonImmutable $day): bool
    {
        return DB::table('documents')
            ->where('id', '>', $this->lastDocument)
            ->where('business_date', '<=', $day->format('Y-m-d'))
            ->doesntExist();
    }
}
