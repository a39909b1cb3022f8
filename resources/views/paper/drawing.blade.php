{{-- A signature. The PDF maker takes a drawing as a picture only. --}}
@php($drawing = '<svg xmlns="http://www.w3.org/2000/svg" width="240" height="60" viewBox="0 0 360 90"><path d="'
    .e($path).'" fill="none" stroke="#000" stroke-width="2"/></svg>')
@if($pdf ?? false)<img src="data:image/svg+xml;base64,{{ base64_encode($drawing) }}"
    alt="Signature">@else{!! $drawing !!}@endif
