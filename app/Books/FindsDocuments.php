<?php

declare(strict_types=1);

namespace Elmstone\Books;

/** Who finds documents by what only their room knows, such as the numbers of pieces. Tagged `finds`. */
interface FindsDocuments
{
    /** @return list<int> ids of documents, the newest first, at most so many */
    public function find(string $typed, int $most): array;
}
