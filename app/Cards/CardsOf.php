<?php

declare(strict_types=1);

namespace Elmstone\Cards;

use Elmstone\Books\Document;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\View\Component;

/** `<x-cards-of :$document/>`: what is kept of how cards paid it: on file, by telephone, what matched. */
final class CardsOf extends Component
{
    /** @var Collection<int, CardRequest> */
    public Collection $cards;

    public function __construct(Document $document)
    {
        $this->cards = CardRequest::query()
            ->where('document_id', $document->id)
            ->whereNotNull('on_file_id')
            ->orderBy('id')
            ->get();
    }

    public function shouldRender(): bool
    {
        return $this->cards->isNotEmpty();
    }

    public function render(): View
    {
        return view('cards.of');
    }
}
