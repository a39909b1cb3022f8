<?php

declare(strict_types=1);

namespace Elmstone\Books;

use Elmstone\Books\Drafts\DocumentDraft;
use Elmstone\Core\Money\Refused;
use Illuminate\Support\Facades\DB;
use LogicException;

/**
 * The one way in: whatever is posted is posted here. In one transaction everything is locked, then it is asked whether
 * it was done before, then it is decided and written; at its end the documents are sealed. Where two tills met, it is
 * tried again from the start. RULES, section 16.
 */
final class Books
{
    private const ATTEMPTS = 3;

    private int $underWay = 0;

    /** @param  iterable<FollowsSales>  $followers */
    public function __construct(private readonly Register $register, private readonly iterable $followers = [])
    {
    }

    /**
     * @template TLocked
     * @template TAnswer
     *
     * @param  Posting<TLocked, TAnswer>  $posting
     * @return TAnswer what it wrote, or what was written under its key before
     *
     * @throws Refused other_figures, and what the posting refuses
     */
    public function post(Posting $posting): mixed
    {
        return DB::transaction(function () use ($posting): mixed {
            $locked = $posting->lock();
            $before = $posting->before($locked, $this->register->before(...));

            if ($before !== null) {
                /** @var TAnswer $before */
                return $before;
            }

            $this->underWay++;

            try {
                return $posting->write($locked);
            } finally {
                $this->underWay--;
            }
        }, self::ATTEMPTS);
    }

    /**
     * Takes the series of a posting that can write several kinds of document, all in one order. Before the first.
     */
    public function taking(DocumentKind ...$kinds): void
    {
        $this->assertUnderWay();
        $this->register->reserve(array_values($kinds));
    }

    /** Takes the series of a posting before it is decided, where what is locked comes after it. */
    public function holding(DocumentKind $kind): void
    {
        $this->register->hold($kind);
    }

    /**
     * Writes a document of the posting under way.
     *
     * @return int its id
     */
    public function document(DocumentDraft $draft): int
    {
        return $this->documents([$draft])[0];
    }

    /**
     * Writes documents of one kind, in their order.
     *
     * @param  non-empty-list<DocumentDraft>  $drafts
     * @return non-empty-list<int> their ids
     */
    public function documents(array $drafts): array
    {
        $this->assertUnderWay();

        $ids = $this->register->postAll($drafts);

        foreach ($drafts as $place => $draft) {
            $draft->isSale() && $this->follow($ids[$place], $draft);
        }

        return $ids;
    }

    private function follow(int $document, DocumentDraft $draft): void
    {
        foreach ($this->followers as $follower) {
            $follower->sold($document, $draft);
        }
    }

    private function assertUnderWay(): void
    {
        $this->underWay > 0
            || throw new LogicException('A document is written by a posting, and none is under way.');
    }
}
