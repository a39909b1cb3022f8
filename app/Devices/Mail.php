<?php

declare(strict_types=1);

namespace Elmstone\Devices;

final readonly class Mail
{
    /**
     * @param  string  $attachment the file's bytes; empty: none
     * @param  int|null  $customer whom it is about, for their history
     */
    public function __construct(
        public string $to,
        public string $subject,
        public string $body,
        public string $attachmentName = '',
        public string $attachment = '',
        public ?int $customer = null,
    ) {
    }
}
