<div id="run" data-part x-data="statementRun" @if($run->state === 'running' && $left > 0)
    data-steps="{{ route('statements.step', $run->id) }}" @endif>
    @php($done = $run->wanted - $left)
    <div class="progress-line" role="progressbar" aria-label="Statements made" aria-valuemin="0"
        aria-valuemax="{{ $run->wanted }}" aria-valuenow="{{ $done }}">
        <svg width="100%" height="18" preserveAspectRatio="none" viewBox="0 0 {{ max(1, $run->wanted) }} 1"
            aria-hidden="true">
            <rect width="{{ $run->wanted }}" height="1" fill="#e0dace"/><rect width="{{ $done }}" height="1"
                fill="#1e6a6c"/></svg></div>
    <p class="mt-2">
    <strong>{{ number_format($done) }} of {{ number_format($run->wanted) }}</strong> looked at,
        {{ number_format($made) }} made, {{ number_format($mailed) }} mailed,
        {{ number_format($printed) }} for the print file{{ $leftOut > 0 ? ', '.number_format($leftOut).' left out'
            : '' }}. @if($run->state === 'stopped')<span class="ochre">Stopped.</span>@elseif($left === 0)<span
                class="verdigris">✓ All made.</span>@endif</p>
    @if($unsure > 0)<div class="note look"><p>
    <strong>{{ $unsure === 1 ? 'Of one it is not known whether it was mailed'
        : "Of {$unsure} it is not known whether they were mailed" }}:</strong> the run broke off in between. Look in
            the mail server’s own list, then mail {{ $unsure === 1 ? 'it' : 'each' }} again or count it as mailed.</p>
            </div>@endif
    @if($failed > 0)<div class="note stop"><p>
    <strong>{{ $failed }} did not go.</strong> Mail {{ $failed === 1 ? 'it'
        : 'them' }} again when the mail server answers.</p></div>@endif
    <div class="d-flex gap-2 mb-3">
        @if($left > 0 && $run->state === 'running')
        <form method="post" action="{{ route('statements.stop', $run->id) }}">
        @csrf <button class="quiet-act">Stop here</button></form>@endif
        @if($left > 0 && $run->state === 'stopped')
        <form method="post" action="{{ route('statements.go-on', $run->id) }}">
        @csrf <button class="quiet-act">Go on</button></form>@endif
        @if($printed > 0)<a class="quiet-act"
            href="{{ route('statements.print', $run->id) }}">Print file,
            {{ number_format($printed) }} {{ $printed === 1 ? 'statement' : 'statements' }}</a>@endif
    </div>
    <table class="ruled">
        <thead><tr><th>Account</th><th>Name</th><th>How</th><th class="figure">Amount due</th><td></td></tr></thead>
        @foreach($statements as $one)<tr><td class="code">{{ $one->customer->number }}</td><td>
        <a href="{{ route('accounts.show', $one->customer) }}">{{ $one->customer->name }}</a></td>
        <td>{{ match($one->state) { 'mailed' => 'mailed', 'left out' => 'left out',
            'mailing' => $one->isUnsure() ? 'not known' : 'being mailed',
            'failed' => 'did not go', default => $one->way->value } }} <span
                class="soft small">{{ $one->trouble }}</span></td>
                <td class="figure">{{ $one->amount_due }}</td><td class="text-end">
                @if($one->state === 'failed' || $one->isUnsure())
                <form class="d-inline" method="post" action="{{ route('statements.mail-again', $one->id) }}">
                @csrf<button class="link-act">mail again</button></form> @endif @if($one->isUnsure())
                <form class="d-inline" method="post" action="{{ route('statements.count-as-mailed', $one->id) }}">
                @csrf<button class="link-act">it went</button></form> 
                @endif @if($one->state !== 'left out')<a href="{{ route('statements.again', $one->id) }}">PDF</a>@endif
                </td></tr>@endforeach
    </table>
</div>
