<?php

declare(strict_types=1);

namespace Elmstone\Books;

use Elmstone\Attachments\Attachable;

final class AttachToDocument implements Attachable
{
    public const OF = 'document';

    public function of(): string
    {
        return self::OF;
    }

    public function page(int $id): ?string
    {
        $document = Document::query()->find($id);

        return $document === null ? null : route('documents.show', $document);
    }
}
