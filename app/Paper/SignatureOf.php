<?php

declare(strict_types=1);

namespace Elmstone\Paper;

use Elmstone\Books\Document;
use Illuminate\Contracts\View\View;
use Illuminate\View\Component;

/** `<x-signature-of :$document/>`: what its payer signed for; nothing where nobody did. */
final class SignatureOf extends Component
{
    public ?PaymentSignature $signed;

    public function __construct(Document $document)
    {
        $this->signed = PaymentSignature::query()->find($document->id);
    }

    public function shouldRender(): bool
    {
        return $this->signed !== null;
    }

    public function render(): View
    {
        return view('paper.signature-of');
    }
}
