<?php

declare(strict_types=1);

/*
 * A server for tests, on a free port of loopback, which it prints: a printer, which hears, or a mail server as RFC 5321
 * has it, which answers. What is heard goes to a file, and at the end of each visit a byte 4. Arguments: printer or
 * smtp, the file, and answers that differ from the usual, as "RCPT=550 no such user".
 */

[, $kind, $file, $answers] = $argv;
$server = stream_socket_server('tcp://127.0.0.1:0') ?: exit(1);
echo substr((string) strrchr((string) stream_socket_get_name($server, false), ':'), 1), "\n";
[$word, $answer] = [...explode('=', $answers, 2), ''];
$usual = ['DATA' => '354 go on', 'QUIT' => '221 bye'];

while ($visitor = stream_socket_accept($server, 60)) {
    $kind === 'smtp' && fwrite($visitor, "220 here\r\n");
    $inData = false;

    while (($line = $kind === 'smtp' ? fgets($visitor) : fread($visitor, 8192)) !== false && $line !== '') {
        file_put_contents($file, $line, FILE_APPEND);

        if ($kind !== 'smtp' || ($inData && rtrim($line) !== '.')) {
            continue;
        }

        $command = strtoupper(substr($line, 0, 4));
        $says = $command === $word ? $answer : $usual[$command] ?? '250 ok';
        fwrite($visitor, ($inData ? '250 taken' : $says)."\r\n");
        $inData = ! $inData && $command === 'DATA' && $word !== 'DATA';
    }

    file_put_contents($file, "\x04", FILE_APPEND);
    fclose($visitor);
}
