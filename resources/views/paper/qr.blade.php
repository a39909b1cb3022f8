{{-- Where it can be paid. The PDF maker takes a drawing as a picture only. --}}
@use('Elmstone\Paper\QrCode')
@php($drawing = QrCode::svg($address, 2.4))
@if($pdf ?? false)<img src="data:image/svg+xml;base64,{{ base64_encode($drawing) }}" alt="QR code">
@else<div data-qr="{{ $address }}">{!! $drawing !!}</div>@endif
<p class="link">{{ preg_replace('~^https?://~', '', $address) }}</p>
