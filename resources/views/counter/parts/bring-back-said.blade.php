<p class="complaint" id="bring-back-said" data-part role="alert">
@if($complaint->on('bring-back') || $complaint->on('back-one-off')){{ $complaint->message() }}@endif</p>
