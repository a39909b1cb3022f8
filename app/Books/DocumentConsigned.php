<?php

declare(strict_types=1);

namespace Elmstone\Books;

use Elmstone\Core\Consignment\Consigned;
use Elmstone\Core\Consignment\OwnerShare;
use Elmstone\Support\Database\Record;

/**
 * That a line sold what belonged to somebody else, and what they have of it. Read-only.
 *
 * @property int $document_id
 * @property int $position
 * @property int $owner_id
 * @property string $percent
 */
final class DocumentConsigned extends Record
{
    protected $table = 'document_consigned';

    public $incrementing = false;

    public function toValue(): Consigned
    {
        return new Consigned($this->owner_id, OwnerShare::percent($this->percent));
    }
}
