@use('Elmstone\Support\LadderPicture')
@use('Elmstone\Layaways\AgreementWords')
@use('Elmstone\Layaways\PortionText')
@use('Elmstone\Staff\Ability')
<div class="hold" id="hold-part" data-part>
    @php $draft = $slip->isDone() ? null : $reckoned->layaway(); @endphp
    @if($draft !== null)
        @php
            $hold = $draft->hold;
            $terms = $hold->agreedTerms();
            $save = route('counter.hold.terms', $slip->key);
            $maySet = $staff->mayDo(Ability::SetLayawayTerms);
            $ladder = $draft->ladder();
            $said = $complaint->within('hold.') ? $complaint : null;
        @endphp
        <h2 class="band-name">Layaway agreement</h2>
        <div class="hold-row">
            <label for="hold-count">Payments</label><input class="form-control amount" id="hold-count" name="count"
                inputmode="numeric" autocomplete="off" data-save="{{ $save }}"
                    value="{{ $complaint->typedOr('hold.count', (string) $draft->count()) }}">
            <label for="hold-rhythm">every</label>
            <select class="form-select" id="hold-rhythm" name="rhythm" data-save="{{ $save }}">
            @foreach(['week' => 'week', 'fortnight' => 'two weeks', 'month' => 'month'] as $value => $word)
            <option value="{{ $value }}" @selected($hold->rhythm->value === $value)>{{ $word }}</option>@endforeach
            </select>
            <label for="hold-first">from</label><input type="date" class="form-control" id="hold-first"
                name="first_due" data-save="{{ $save }}"
                    value="{{ $complaint->typedOr('hold.first_due', $hold->first_due->format('Y-m-d')) }}">
            <label for="hold-expires">until</label><input type="date" class="form-control" id="hold-expires"
                name="expires_on" data-save="{{ $save }}"
                    value="{{ $complaint->typedOr('hold.expires_on', $hold->expires_on->format('Y-m-d')) }}"
                        @readonly(! $maySet)>
        </div>
        @if($said !== null)<p class="complaint" role="alert">{{ $said->message() }}</p>@endif
        <div class="hold-cols">
            <div class="hold-terms">
                @if($maySet)
                    <details class="small"><summary>Terms</summary>
                        <div class="hold-fields">
                            @foreach(['min_deposit' => 'Least deposit', 'min_payment' => 'Least payment',
                                'cancellation_fee' => 'Fee if cancelled'] as $name => $label)
                                <label for="hold-{{ $name }}">{{ $label }}</label><input class="form-control"
                                    id="hold-{{ $name }}" name="{{ $name }}" autocomplete="off" data-save="{{ $save }}"
                                        value="{{ $complaint->typedOr("hold.{$name}",
                                            PortionText::write($terms->percent($name),
                                                $terms->amount($name))) }}">
                            @endforeach
                            <label for="hold-grace">Days of grace</label><input class="form-control" id="hold-grace"
                                name="grace_days" inputmode="numeric" autocomplete="off" data-save="{{ $save }}"
                                    value="{{ $complaint->typedOr('hold.grace_days', (string) $hold->grace_days) }}">
                        </div>
                    </details>
                @endif
                <div class="agreement">
                @foreach(AgreementWords::of($draft->total(), $draft->deposit()->exceeds($draft->total())
                    ? $draft->total()
                        : $draft->deposit(), $terms, $hold->rhythm, $draft->count(), $hold->first_due,
                            $hold->expires_on, $hold->grace_days) as $sentence)<p>{{ $sentence }}</p>@endforeach</div>
            </div>
            <div class="hold-picture">
                <div class="ladder-box" tabindex="0" role="group" aria-label="Instalment ladder">
                @if($ladder !== null
                    && ! $draft->total()->equals($draft->deposit())){!! LadderPicture::svg($ladder,
                        $slip->day()) !!}@endif</div>
                <div class="sign" id="sign" data-sign="{{ route('counter.hold.sign', $slip->key) }}" x-data="signing"
                    @pointerdown="begin" @pointermove.document="draw" @pointerup.document="lift">
                    @if($draft->isSigned())
                        <svg class="signature" viewBox="0 0 360 90" role="img"
                            aria-label="Signature of {{ $hold->signed_by }}"><path d="{{ $hold->signature }}"/></svg>
                        <p class="small mb-0">
                        <span class="verdigris fw-bold">✓ signed</span> by {{ $hold->signed_by }} <button type="button"
                            class="link-act" data-sends="{{ route('counter.hold.sign', $slip->key) }}"
                                data-field="signature" value="">Sign again</button></p>
                    @else
                        <svg class="signature pad" viewBox="0 0 360 90" role="img"
                            aria-label="Sign here with mouse or pen">
                            <path d=""/><text x="12"
                                y="80">{{ $hold->signature === null ? 'the customer signs here, or on the paper'
                                    : 'changed since it was signed: sign again' }}</text></svg>
                        <p class="small mb-0 d-flex gap-2 align-items-center">
                        <label for="signed-by" class="soft">by</label><input class="form-control form-control-sm"
                            id="signed-by" name="signed_by" maxlength="120" autocomplete="off"
                                value="{{ $slip->contact->name ?? $slip->customer_name }}"> <button type="button"
                                    class="quiet-act keep" @click="keep" disabled>Keep signature</button></p>
                    @endif
                </div>
            </div>
        </div>
    @endif
</div>
