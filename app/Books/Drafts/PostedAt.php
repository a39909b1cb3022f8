<?php

declare(strict_types=1);

namespace Elmstone\Books\Drafts;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Shop\Till;
use Elmstone\Support\ShopTime;

/**
 * Where, when and by whom something is posted: location and till, who rang it up and whose sale it is, the business
 * date, the moment.
 */
final readonly class PostedAt
{
    private function __construct(
        public int $locationId,
        public int $tillId,
        public int $staffId,
        public CarbonImmutable $day,
        public CarbonImmutable $moment,
        public int $sellerId,
        public ?int $sessionId = null,
    ) {
    }

    /**
     * At a till, now.
     *
     * @param  CarbonImmutable|null  $day the business date; null: today
     */
    public static function till(Till $till, int $staffId, ?CarbonImmutable $day = null): self
    {
        $moment = CarbonImmutable::now();

        return new self(
            $till->location_id,
            $till->id,
            $staffId,
            ($day ?? ShopTime::dayOf($moment))->startOfDay(),
            $moment,
            $staffId,
        );
    }

    /** As a document says of itself. */
    public static function stored(Document $document): self
    {
        return new self(
            $document->location_id,
            $document->till_id,
            $document->staff_id,
            $document->business_date,
            $document->posted_at,
            $document->seller_id,
            $document->session_id,
        );
    }

    /** The same, of goods or an agreement that belong to another location. */
    public function of(int $locationId): self
    {
        return $this->but(['locationId' => $locationId]);
    }

    /** The same at another moment. */
    public function at(CarbonImmutable $moment): self
    {
        return $this->but(['moment' => $moment]);
    }

    /** The same, where it is the sale of another than who rings it up. */
    public function soldBy(int $seller): self
    {
        return $this->but(['sellerId' => $seller]);
    }

    /** The same in a session that is named, where it is not the one that is open. */
    public function in(int $session): self
    {
        return $this->but(['sessionId' => $session]);
    }

    /** @param  array<string, mixed>  $changed */
    private function but(array $changed): self
    {
        return new self(...[...get_object_vars($this), ...$changed]);
    }
}
